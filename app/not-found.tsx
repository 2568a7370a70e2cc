import { Trouble } from "#app/ui/Trouble.tsx";

export const meta = () => [{ title: "No such page · Tamis" }];

export default function NotFoundRoute() {
  return <Trouble message="There is no such page in Tamis. The address may be mistyped." />;
}

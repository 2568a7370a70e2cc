import { Trouble } from "#app/parts/Trouble.tsx";

export default function NotFoundRoute() {
  return <Trouble message="There is no such page in Tamis. The address may be mistyped." />;
}

/** All screens but the first ones, whose parts are dressed one by one, stand in here. */
import { Outlet, useOutletContext } from "react-router";
import { useCardStands } from "#app/ui/first-card.ts";
import { Dressed } from "#app/theme/Dressed.tsx";

export default function DressedScreens() {
  useCardStands(true);
  return (
    <Dressed>
      <Outlet context={useOutletContext()} />
    </Dressed>
  );
}

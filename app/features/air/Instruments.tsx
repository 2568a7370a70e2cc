import Button from "@mui/material/Button";
import { useState } from "react";
import { Height } from "./Height.tsx";
import { Station } from "./Station.tsx";

/** What may fill the form in by itself, out of the way of who types. */
export function Instruments() {
  const [open, setOpen] = useState<"station" | "height">();
  const toggle = (which: "station" | "height") => setOpen(open === which ? undefined : which);
  return (
    <div className="stack tight">
      <div className="row">
        <Button variant="outlined" aria-expanded={open === "station"} onClick={() => toggle("station")}>
          From a weather station
        </Button>
        <Button variant="outlined" aria-expanded={open === "height"} onClick={() => toggle("height")}>
          Place and height
        </Button>
      </div>
      {open === "station" && <Station />}
      {open === "height" && <Height />}
    </div>
  );
}

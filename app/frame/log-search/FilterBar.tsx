import css from "../frame.module.css";
import Button from "@mui/material/Button";
import { useState, type ReactNode } from "react";
import type { LogLine } from "#core/log/present.ts";
import { PARTS } from "#core/log/parts.ts";
import { ZONES } from "#core/carburettor/zones.ts";
import { PickField } from "#app/ui/PickField.tsx";
import { KIND_NAMES } from "#app/vocabulary/entries.ts";
import { PART_NAMES, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { kindsIn, NO_FILTERS, placesIn, type Filters } from "./filters.ts";

interface FilterBarProps {
  /** what there is to choose from */
  readonly lines: readonly LogLine[];
  readonly filters: Filters;
  readonly onFilters: (filters: Filters) => void;
  /** more to choose by */
  readonly children?: ReactNode;
}

const ALL = ["", "all"] as const;

export function FilterBar({ lines, filters, onFilters, children }: FilterBarProps) {
  const set = (name: keyof Filters) => (event: { target: { value: string } }) =>
    onFilters({ ...filters, [name]: event.target.value });
  const any = Object.values(filters).some((value) => value !== "");
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Button
        variant="outlined"
        className="start no-print"
        aria-expanded="false"
        onClick={() => setOpen(true)}
      >
        Show only…
      </Button>
    );
  return (
    <div className={css["filters"]} role="group" aria-label="Show only">
      {children}
      <PickField
        label="Kind"
        value={filters.kind}
        options={[ALL, ...kindsIn(lines).map((kind) => [kind, KIND_NAMES[kind]] as const)]}
        onChange={set("kind")}
      />
      <PickField
        label="Zone"
        value={filters.zone}
        options={[ALL, ...ZONES.map((zone) => [zone, ZONE_NAMES[zone]] as const)]}
        onChange={set("zone")}
      />
      <PickField
        label="Part"
        value={filters.part}
        options={[ALL, ...PARTS.map((part) => [part, PART_NAMES[part]] as const)]}
        onChange={set("part")}
      />
      <PickField
        label="Place"
        value={filters.place}
        options={[ALL, ...placesIn(lines).map((place) => [place, place] as const)]}
        onChange={set("place")}
      />
      <Button
        className="tall"
        onClick={() => {
          onFilters(NO_FILTERS);
          setOpen(false);
        }}
      >
        {any ? "Show all" : "Close"}
      </Button>
    </div>
  );
}

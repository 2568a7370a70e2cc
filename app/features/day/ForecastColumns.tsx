/** What the columns of a forecast mean: the guess stands, the tuner has the last word. */
import css from "./day.module.css";
import TextField from "@mui/material/TextField";
import {
  FORECAST_ROLES,
  FORECAST_UNITS,
  type ForecastMapping,
  type ForecastRole,
} from "#core/forecast/columns.ts";
import type { Table } from "#core/forecast/table.ts";

const ROLE_LABELS: Readonly<Record<ForecastRole, string>> = {
  time: "Time",
  hour: "Hour, if in a column of its own",
  temperature: "Temperature",
  humidity: "Humidity",
  dewPoint: "Dew point",
  seaLevel: "Pressure, at sea level",
  altimeter: "Altimeter setting (QNH)",
  station: "Pressure, of the place",
};

interface ColumnsProps {
  readonly table: Table;
  readonly mapping: ForecastMapping;
  readonly onMapping: (mapping: ForecastMapping) => void;
}

const FIRST_FIGURES = 3;

/** A clock of the file's own stands beside the usual two. */
const unitsOf = ({ role, unit }: ForecastMapping[number]): readonly string[] => [
  ...new Set<string>([...FORECAST_UNITS[role], unit]),
];

export function ForecastColumns({ table, mapping, onMapping }: ColumnsProps) {
  const { names, rows } = table;
  const columnOf = (role: ForecastRole) => mapping.find((use) => use.role === role);
  const others = (role: ForecastRole) => mapping.filter((use) => use.role !== role);
  const choose = (role: ForecastRole, text: string) => {
    if (text === "") return onMapping(others(role));
    const unit = columnOf(role)?.unit ?? FORECAST_UNITS[role][0];
    onMapping([...others(role), { role, column: Number(text), unit }]);
  };
  return (
    <ul className={css["columns"]} aria-label="Columns of the forecast">
      {FORECAST_ROLES.map((role) => {
        const use = columnOf(role);
        const figures = use && rows.slice(0, FIRST_FIGURES).map((row) => row[use.column] ?? "");
        return (
          <li key={role}>
            <TextField
              select
              label={ROLE_LABELS[role]}
              value={use?.column ?? ""}
              helperText={figures?.join(" · ")}
              onChange={({ target }) => choose(role, target.value)}
              slotProps={{ select: { native: true } }}
            >
              <option value="">not in it</option>
              {names.map((name, column) => (
                <option key={`${column} ${name}`} value={column}>
                  {name}
                </option>
              ))}
            </TextField>
            {FORECAST_UNITS[role].length > 1 && (
              <TextField
                select
                label={role === "time" ? "Clock" : "Unit"}
                value={use?.unit ?? ""}
                disabled={!use}
                onChange={({ target }) => use && onMapping([...others(role), { ...use, unit: target.value }])}
                slotProps={{
                  select: { native: true },
                  htmlInput: {
                    "aria-label":
                      role === "time" ? "Clock of the times" : `Unit of ${ROLE_LABELS[role].toLowerCase()}`,
                  },
                }}
              >
                {(use ? unitsOf(use) : []).map((unit) => (
                  <option key={unit} value={unit}>
                    {unit === "local" ? "of this place" : unit}
                  </option>
                ))}
              </TextField>
            )}
          </li>
        );
      })}
    </ul>
  );
}

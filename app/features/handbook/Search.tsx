import SearchIcon from "@mui/icons-material/Search";
import InputAdornment from "@mui/material/InputAdornment";
import TextField from "@mui/material/TextField";
import { useEffect, useId, useState } from "react";
import { Link, useLocation } from "react-router";
import { handbookHref } from "#app/vocabulary/help.ts";
import css from "./handbook.module.css";
import type { Hit } from "./search.ts";
import { useScripts } from "./use-scripts.ts";

type Found =
  | { readonly words: string; readonly hits: readonly Hit[] }
  | { readonly words: string; readonly trouble: true };

/** Whatever was asked first and comes last is of no use any more. */
function useHits(words: string): Found | undefined {
  const [found, setFound] = useState<Found>();
  useEffect(() => {
    if (words === "") return;
    let left = false;
    import("./search.ts")
      .then(({ searchHandbook }) => searchHandbook(words))
      .then(
        (hits) => !left && setFound({ words, hits }),
        () => !left && setFound({ words, trouble: true }),
      );
    return () => {
      left = true;
    };
  }, [words]);
  return words === "" ? undefined : found;
}

const Hits = ({ hits, onFollow }: { hits: readonly Hit[]; onFollow: () => void }) => (
  <ul aria-label="Found">
    {hits.map(({ slug, title }) => (
      <li key={slug}>
        <Link to={handbookHref(slug)} onClick={onFollow}>
          {title}
        </Link>
      </li>
    ))}
  </ul>
);

/** Finds pages by what is typed; before scripts run nothing can be typed, since nothing would look for it. */
export function Search() {
  const alive = useScripts();
  const [typed, setTyped] = useState("");
  const words = typed.trim().slice(0, 80);
  const found = useHits(words);
  const id = useId();
  const { pathname } = useLocation();
  return (
    <search className={css["search"]} key={pathname}>
      <TextField
        id={id}
        label="Search the handbook"
        type="search"
        size="small"
        fullWidth
        disabled={!alive}
        value={typed}
        onChange={({ target }) => setTyped(target.value)}
        slotProps={{
          input: {
            startAdornment: (
              <InputAdornment position="start">
                <SearchIcon fontSize="small" />
              </InputAdornment>
            ),
          },
        }}
      />
      <div role="status">
        {found && "trouble" in found && (
          <p className="quiet flush">
            The index did not load. Look at the contents, or try again with a signal.
          </p>
        )}
        {found && "hits" in found && found.hits.length === 0 && (
          <p className="quiet flush">No page has “{found.words}”. Try one word of it.</p>
        )}
        {found && "hits" in found && found.hits.length > 0 && (
          <Hits hits={found.hits} onFollow={() => setTyped("")} />
        )}
      </div>
    </search>
  );
}

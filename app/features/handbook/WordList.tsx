import { Link } from "react-router";
import { GLOSSARY, TERMS } from "#app/vocabulary/glossary.ts";
import { handbookHref } from "#app/vocabulary/help.ts";

/** Every word with its note; the word leads to its page. */
export const WordList = () => (
  <dl>
    {TERMS.map((term) => (
      <div key={term} id={term}>
        <dt>
          <Link to={handbookHref(GLOSSARY[term].page)}>{GLOSSARY[term].name}</Link>
        </dt>
        <dd>{GLOSSARY[term].means}</dd>
      </div>
    ))}
  </dl>
);

import type { ReactNode } from "react";
import { Link, useSearchParams } from "react-router";
import { TableLinks } from "../parts/FileLink";
import css from "./Triage.module.css";

const VIEWS = [
  { view: "", name: "Causes" },
  { view: "checklist", name: "Checklist" },
  { view: "costs", name: "What faults cost" },
  { view: "standard", name: "Standard" },
  { view: "sets", name: "Sets" },
];

interface Props {
  title: string;
  csv?: string;
  /** What else can be taken away. */
  more?: ReactNode;
  children?: ReactNode;
}

/** The heading of a view of Triage, with the ways to the others. */
export function TriageHead({ title, csv, more, children }: Props) {
  const [search] = useSearchParams();
  const here = search.get("view") ?? "";
  return (
    <header className={css.head}>
      <nav className={css.views} aria-label="Views of Triage">
        {VIEWS.map(({ view, name }) => (
          <Link key={view} to={view ? `?view=${view}` : "?"} aria-current={view === here ? "page" : undefined}>
            {name}
          </Link>
        ))}
      </nav>
      <span className={css.files}>
        {csv && <TableLinks csv={csv} />}
        {more}
      </span>
      <h1>{title}</h1>
      {children}
    </header>
  );
}

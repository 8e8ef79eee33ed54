import { Link, useLocation } from "react-router";
import type { WatchSummary } from "../api/client";
import { count } from "../parts/number";
import css from "../parts/SideNav.module.css";

export type View = "course" | "positions" | "moves" | "effects" | "acceptance" | "due";

const VIEWS: { view: View; label: string; n?: (summary: WatchSummary) => string }[] = [
  { view: "course", label: "Clicks and positions" },
  { view: "positions", label: "First page, won and lost" },
  { view: "moves", label: "Sudden moves", n: (s) => (s.moves > 0 ? count(s.moves) : "") },
  { view: "effects", label: "Did it work" },
  { view: "acceptance", label: "Wording shown" },
  { view: "due", label: "Due", n: (s) => (s.due > 0 ? `${count(s.due)} due` : "") },
];

/** The views of Watch. */
export function WatchNav({ view, summary }: { view: View; summary?: WatchSummary }) {
  const { pathname } = useLocation();
  return (
    <nav className={css.nav} aria-label="Views of Watch">
      <section>
        {VIEWS.map((each) => (
          <Link
            key={each.view}
            to={`${pathname}?view=${each.view}`}
            aria-current={each.view === view ? "page" : undefined}
          >
            {each.label}
            {summary && each.n?.(summary) && <span className={css.due}>{each.n(summary)}</span>}
          </Link>
        ))}
      </section>
    </nav>
  );
}

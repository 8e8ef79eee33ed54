import { NavLink } from "react-router";
import type { Standing } from "../api/client";
import { count } from "../parts/number";
import css from "./StageRibbon.module.css";

interface Stage {
  path: string;
  name: string;
  /** The one count that matters. */
  n: (standing: Standing) => number;
  what: string | ((standing: Standing) => string);
  /** How far the stage is, 0 to 1. */
  filled: (standing: Standing) => number;
}

const share = (part: number, whole: number) => (whole === 0 ? 0 : Math.min(1, part / whole));

const STAGES: Stage[] = [
  { path: "gather", name: "Gather", n: (s) => s.items, what: "items", filled: (s) => (s.items > 0 ? 1 : 0) },
  { path: "aim", name: "Aim", n: (s) => s.aimed, what: "aimed", filled: (s) => share(s.aimed, s.indexable) },
  {
    path: "triage",
    name: "Triage",
    n: (s) => (s.stake.high > 0 ? Math.round(s.stake.clicks) : s.withFindings),
    what: (s) => (s.stake.high > 0 ? "clicks at stake" : "with findings"),
    filled: (s) => (s.items === 0 ? 0 : 1 - share(s.withFindings, s.indexable)),
  },
  {
    path: "rewrite",
    name: "Rewrite",
    n: (s) => s.drafted + s.sentBack + s.approved,
    what: "drafted",
    filled: (s) => {
      const written = s.drafted + s.sentBack + s.approved + s.delivered;
      return share(written, written + s.withFindings);
    },
  },
  {
    path: "release",
    name: "Release",
    n: (s) => s.delivered,
    what: "delivered",
    filled: (s) => share(s.delivered, s.delivered + s.drafted + s.sentBack + s.approved),
  },
  {
    path: "watch",
    name: "Watch",
    n: (s) => s.improved,
    what: "improved",
    filled: (s) => share(s.improved, s.live),
  },
];

/** Navigation and state in one: the six stages, each with its count, joined by a line that fills as the work moves on. */
export function StageRibbon({ propertyId, standing }: { propertyId: number; standing?: Standing }) {
  return (
    <nav className={css.ribbon} aria-label="Stages">
      {STAGES.map((stage) => {
        const filled = standing ? stage.filled(standing) : 0;
        const n = standing ? stage.n(standing) : undefined;
        return (
          <NavLink
            key={stage.path}
            to={`/p/${propertyId}/${stage.path}`}
            className={({ isActive }) => (isActive ? `${css.stage} ${css.here}` : css.stage)}
          >
            <span className={css.name}>{stage.name}</span>
            <span className={css.figure}>
              <b>{n === undefined ? "–" : count(n)}</b>{" "}
              {typeof stage.what === "string" ? stage.what : standing && stage.what(standing)}
            </span>
            <span className={css.line} aria-hidden="true">
              <span className={css.fill} style={{ width: `${Math.round(filled * 100)}%` }} />
            </span>
          </NavLink>
        );
      })}
    </nav>
  );
}

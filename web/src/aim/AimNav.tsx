import { Link, useLocation } from "react-router";
import type { Standing } from "../api/client";
import { count } from "../parts/number";
import css from "../parts/SideNav.module.css";

interface Side {
  side: string;
  label: string;
  /** only for shops and channels */
  tagged?: boolean;
}

const GROUPS: { name: string; sides: Side[] }[] = [
  {
    name: "Keywords",
    sides: [
      { side: "keywords", label: "All keywords" },
      { side: "homeless", label: "Without an item" },
      { side: "topics", label: "Topics" },
      { side: "places", label: "Places and services" },
      { side: "brand", label: "Brand spellings" },
      { side: "reviews", label: "Review lists" },
    ],
  },
  {
    name: "Items",
    sides: [
      { side: "items", label: "All items" },
      { side: "aimless", label: "Without a keyword" },
      { side: "better", label: "Better keywords" },
      { side: "shared", label: "Competing for a query" },
    ],
  },
  {
    name: "Ideas",
    sides: [
      { side: "pages", label: "Pages to add" },
      { side: "tags", label: "Tags", tagged: true },
      { side: "groups", label: "Groups" },
    ],
  },
  {
    name: "Demand",
    sides: [
      { side: "demand", label: "Queries and items" },
      { side: "curve", label: "Click curve" },
    ],
  },
];

/** The views of Aim, by what they are of. */
export function AimNav({ side, standing }: { side: string; standing?: Standing }) {
  const { pathname } = useLocation();
  const website = standing?.property.kind === "website";
  return (
    <nav className={css.nav} aria-label="Views of Aim">
      {GROUPS.map((group) => (
        <section key={group.name}>
          <h2>{group.name}</h2>
          {group.sides
            .filter((each) => !(each.tagged && website))
            .map((each) => (
              <Link
                key={each.side}
                to={`${pathname}?side=${each.side}`}
                aria-current={each.side === side ? "page" : undefined}
              >
                {each.label}
                {each.side === "reviews" && standing && standing.due > 0 && (
                  <span className={css.due}>{count(standing.due)} due</span>
                )}
              </Link>
            ))}
        </section>
      ))}
      {standing && standing.keywords > 0 && (
        <p>
          {count(standing.aimed)} of {count(standing.indexable)} indexable items have a keyword.
        </p>
      )}
    </nav>
  );
}

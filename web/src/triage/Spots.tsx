import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api, type Spot } from "../api/client";
import { ofProperty } from "../api/queries";
import { FIELDS, fieldName } from "../parts/fields";
import { count, few, of } from "../parts/number";
import css from "./Spots.module.css";

/** Short enough for narrow columns. */
const HEADS: Record<string, string> = {
  title: "title",
  description: "descr.",
  tags: "tags",
  h1: "H1",
  slug: "slug",
  images: "alt",
  links: "links",
  head: "head",
  indexing: "index",
};
const MOST_SECTIONS = 9;
const MOST_FIELDS = 6;

/** Where the findings are: sections down, fields across, each spot as large as what is at stake there. */
export function Spots({ propertyId }: { propertyId: number }) {
  const spots = useQuery({
    queryKey: ofProperty(propertyId, "spots"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/findings/spots", { params: { path: { propertyId } } })),
  });
  if (!spots.data || spots.data.length === 0) return null;
  const clicks = spots.data.some((spot) => spot.clicks >= 0.5);
  const worth = (spot: Spot) => (clicks ? spot.clicks : spot.findings);
  const sumOf = (field: string) => spots.data.reduce((all, spot) => all + (spot.field === field ? worth(spot) : 0), 0);
  const foremost = [...FIELDS].sort((one, other) => sumOf(other) - sumOf(one)).slice(0, MOST_FIELDS);
  // A column of dashes says nothing: with demand, only fields with clicks at stake.
  const fields = FIELDS.filter((field) => foremost.includes(field) && sumOf(field) >= (clicks ? 0.5 : 1));
  const bySection = new Map<string, Spot[]>();
  for (const spot of spots.data) bySection.set(spot.section, [...(bySection.get(spot.section) ?? []), spot]);
  const sum = (some: Spot[]) => some.reduce((all, spot) => all + worth(spot), 0);
  const sections = [...bySection].sort(([, one], [, other]) => sum(other) - sum(one));
  const most = Math.max(...spots.data.map(worth));
  return (
    <section className={css.spots}>
      <h2>{clicks ? "Where the clicks are" : "Where the findings are"}</h2>
      <table>
        <thead>
          <tr>
            <th>section</th>
            {fields.map((field) => (
              <th key={field} title={fieldName(field)}>
                {HEADS[field]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sections.slice(0, MOST_SECTIONS).map(([section, some]) => (
            <tr key={section}>
              <th title={section}>{section || "none"}</th>
              {fields.map((field) => {
                const spot = some.find((each) => each.field === field);
                return (
                  <td key={field}>{spot && <SpotLink spot={spot} clicks={clicks} share={worth(spot) / most} />}</td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      {sections.length > MOST_SECTIONS && (
        <p>{of(sections.length - MOST_SECTIONS, "more section")} with less at stake.</p>
      )}
    </section>
  );
}

const MAX_SIZE = 20;

function SpotLink({ spot, clicks, share }: { spot: Spot; clicks: boolean; share: number }) {
  const size = Math.max(3, Math.sqrt(share) * MAX_SIZE);
  const what = `${fieldName(spot.field)} in ${spot.section || "no section"}: ${of(spot.findings, "finding")}${
    clicks ? `, ${of(Math.round(spot.clicks), "click")} a month at stake` : ""
  }`;
  return (
    <Link
      to={`?${new URLSearchParams({ field: spot.field, check: "any", section: spot.section })}`}
      title={what}
      aria-label={what}
    >
      <span className={css.spot} style={{ width: size, height: size }} />
      <span className={css.number}>{clicks ? few(spot.clicks) : count(spot.findings)}</span>
    </Link>
  );
}

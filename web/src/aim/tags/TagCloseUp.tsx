import { Link } from "react-router";
import type { TagRow } from "../../api/client";
import { count, of } from "../../parts/number";
import { SidePanel } from "../../parts/SidePanel";
import { searchOf } from "../../parts/searchOf";
import { useDemandWindow } from "../demand/useDemand";
import { WeekChart } from "../demand/WeekChart";
import { countryName } from "../keywords/countryName";
import css from "../keywords/KeywordCloseUp.module.css";

/** A tag, what is searched instead of it, and the edits that follow from that, filled in. */
export function TagCloseUp({ propertyId, row, onClose }: { propertyId: number; row: TagRow; onClose: () => void }) {
  const desk = (query: Record<string, string>) => `/p/${propertyId}/rewrite?${searchOf({ q: row.tag, ...query })}`;
  const demand = useDemandWindow(propertyId, { like: row.tag });
  const replacedBy = (other: string) => desk({ tool: "replace-tag", on: "tags", find: row.tag, with: other });
  return (
    <SidePanel label={`Tag ${row.tag}`} title={row.tag} onClose={onClose}>
      <p>
        <Link to={desk({})}>{of(row.items, "item")}</Link> {row.items === 1 ? "uses" : "use"} it.{" "}
        {row.searches === null
          ? "No keyword list knows how often it is searched."
          : `It is searched ${count(row.searches)} times a month.`}
        {row.impressions > 0 &&
          ` ${count(row.impressions)} impressions in 13 weeks, ${count(row.impressionsBefore)} in the 13 before.`}
      </p>
      {row.peaks && <p>It is searched most in {row.peaks}.</p>}
      {row.impressions > 0 && demand.data && (
        <>
          <WeekChart weeks={demand.data.weeks} first={demand.data.first} last={demand.data.last} width={332} />
          <h3>By country, in thirteen weeks</h3>
          <ol className={css.homes}>
            {demand.data.countries.map((each) => (
              <li key={each.country}>
                <span>{countryName(each.country)}</span>
                <span className={css.score}>{(100 * each.rate).toFixed(1)}%</span>
                <span className={css.why}>
                  {count(each.clicks)} clicks, {count(each.impressions)} impressions
                </span>
              </li>
            ))}
          </ol>
        </>
      )}
      <p>
        <Link to={desk({ tool: "replace-tag", on: "tags", find: row.tag })}>Replace it everywhere</Link> ·{" "}
        <Link to={desk({ tool: "remove-tags", on: "tags", find: row.tag })}>Remove it everywhere</Link>
      </p>
      {row.twins.length > 0 && (
        <>
          <h3>Other spellings</h3>
          <ol className={css.homes}>
            {row.twins.map((twin) => (
              <li key={twin}>
                <span>{twin}</span>
                <Link to={replacedBy(twin)}>Use this instead</Link>
              </li>
            ))}
          </ol>
        </>
      )}
      {row.longer.length > 0 && (
        <>
          <h3>Longer phrases with it</h3>
          <ol className={css.homes}>
            {row.longer.map((each) => (
              <li key={each.phrase}>
                <span>
                  {each.phrase}
                  <span className={css.soft}>
                    {" "}
                    {each.searches === null
                      ? `${count(Math.round(each.shown))} impressions a month`
                      : `${count(each.searches)} searches a month`}
                  </span>
                </span>
                <Link to={replacedBy(each.phrase)}>Use this instead</Link>
              </li>
            ))}
          </ol>
        </>
      )}
    </SidePanel>
  );
}

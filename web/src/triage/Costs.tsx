import { useQuery } from "@tanstack/react-query";
import { answer, api, type FaultCost, type FaultCosts } from "../api/client";
import { ofProperty } from "../api/queries";
import { count, day, of, percent } from "../parts/number";
import { PlainTable } from "../parts/PlainTable";
import { QueryProblem } from "../parts/QueryProblem";
import { season } from "../parts/season";
import css from "./Triage.module.css";
import { TriageHead } from "./TriageHead";

const SOURCES: Record<FaultCost["source"], string> = {
  own: "this property’s figures",
  both: "assumed, and narrowed by figures here",
  assumed: "assumed: no item with demand has it",
};

export const useCosts = (propertyId: number) =>
  useQuery({
    queryKey: ofProperty(propertyId, "costs"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/costs", { params: { path: { propertyId } } })),
  });

/** A share that may be below 0, with a minus that is as wide as a plus. */
const signed = (part: number) => (part < 0 ? `−${percent(-part)}` : percent(part));

const restsOn = ({ items, from, to, months, season: level }: FaultCosts) =>
  from === ""
    ? "No demand by item and query was imported, so this is what is assumed of any property."
    : `By ${of(items, "item")} with demand of ${day(from)} to ${day(to)} (${months.toFixed(1)} months), queries with the brand left out.${
        season(level) &&
        ` Clicks a month are those of an average month of the year; these months bring ${season(level)}. Each section is levelled by its own season.`
      }`;

type Reach = NonNullable<FaultCosts["reach"]>;

/** What the keyword in the title does to the position. */
function Reach({ reach }: { reach: Reach }) {
  const lines: [string, Reach["wordsHigher"]][] = [
    ["The title has all words of the query, against none", reach.wordsHigher],
    ["The title begins with the query", reach.leadsHigher],
  ];
  return (
    <>
      <h2 className={css.part}>How high a result stands</h2>
      <p className={css.about}>
        The same item for several queries, and several items for the same query: {count(reach.pairs)} pairs. That an
        item stands higher for what its H1 and slug say is left out. A position of 8 that is 25% higher is 6.
      </p>
      <PlainTable head={["Title", "Higher by", "95% interval", "Known from"]} right={[1, 2]}>
        <tbody>
          {lines.map(([what, share]) => (
            <tr key={what}>
              <td>{what}</td>
              <td className={css.number}>{signed(share.share)}</td>
              <td className={css.number}>
                {signed(share.low)} to {signed(share.high)}
              </td>
              <td>{SOURCES[share.source]}</td>
            </tr>
          ))}
        </tbody>
      </PlainTable>
    </>
  );
}

/** What each fault of a title or description costs on this property, with how sure that is. */
export function Costs({ propertyId }: { propertyId: number }) {
  const costs = useCosts(propertyId);
  const learns = costs.data?.appeal.some((cost) => cost.learnt) ?? false;
  return (
    <>
      <TriageHead title="What faults cost here" csv={`/api/properties/${propertyId}/costs.csv`}>
        {costs.data && <p>{restsOn(costs.data)}</p>}
      </TriageHead>
      {costs.error && <QueryProblem query={costs} className={css.empty} />}
      {costs.isPending && <div className={css.skeleton} aria-busy />}
      {costs.data && (
        <>
          {costs.data.reach && <Reach reach={costs.data.reach} />}
          <h2 className={css.part}>How often a result is clicked</h2>
          <p className={css.about}>
            Items with a fault against others at the same positions. A minus stands for more clicks.
            {learns &&
              " What became of items that your own releases fixed counts with it, each as far as it is certain; Watch has these under Did it work."}
          </p>
          <PlainTable
            head={[
              "Check",
              "Items",
              "Fewer clicks",
              "95% interval",
              ...(learns ? ["By your own releases"] : []),
              "Known from",
            ]}
            right={[1, 2, 3]}
          >
            <tbody>
              {costs.data.appeal.map((cost) => (
                <tr key={`${cost.field} ${cost.check}`}>
                  <td>{cost.label}</td>
                  <td className={css.number}>{count(cost.items)}</td>
                  <td className={css.number}>{signed(cost.lostShare)}</td>
                  <td className={css.number}>
                    {signed(cost.lostLow)} to {signed(cost.lostHigh)}
                  </td>
                  {learns && <td>{cost.learnt && <Learnt {...cost.learnt} />}</td>}
                  <td>{SOURCES[cost.source]}</td>
                </tr>
              ))}
            </tbody>
          </PlainTable>
        </>
      )}
    </>
  );
}

/** What releases say of a fault by themselves. */
function Learnt({ lostShare, lostLow, lostHigh, items }: NonNullable<FaultCost["learnt"]>) {
  return (
    <>
      {signed(lostShare)} ({signed(lostLow)} to {signed(lostHigh)}), {of(items, "item")}
    </>
  );
}

import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type AcceptanceView, answer, api, type ShownResult, type ShownShare } from "../api/client";
import { ofProperty } from "../api/queries";
import css from "./AcceptanceFigures.module.css";
import { fieldLabel } from "./fields";
import { count, day, month, of, pathOf, percent } from "./number";
import { PlainTable } from "./PlainTable";
import { QueryProblem } from "./QueryProblem";

type Wording = ShownResult["wording"];

const WORDINGS: { wording: Wording; says: string; of: (share: ShownShare) => number }[] = [
  { wording: "ours", says: "ours", of: (share) => share.ours },
  { wording: "cut", says: "ours, cut", of: (share) => share.cut },
  { wording: "its-own", says: "its own words", of: (share) => share.itsOwn },
];

const total = (share: ShownShare) => share.ours + share.cut + share.itsOwn;

/** Whose wording result pages show for the texts that are live: of one release, or of all. */
export function AcceptanceFigures({ propertyId, handover }: { propertyId: number; handover?: number }) {
  const [wording, setWording] = useState<Wording>("its-own");
  const view = useQuery({
    queryKey: ofProperty(propertyId, "acceptance", handover),
    queryFn: () =>
      answer(
        api.GET("/api/properties/{propertyId}/acceptance", {
          params: { path: { propertyId }, query: { handover } },
        }),
      ),
  });
  if (view.error) return <QueryProblem query={view} />;
  if (!view.data) return null;
  const { acceptance, lastLooked } = view.data as AcceptanceView;
  const all = acceptance.all;
  if (total(all) === 0)
    return (
      <p className={css.soft}>
        No result list has these texts yet. Import one under Gather, with query, position, address, title, description
        and the day, once they are live: what result pages show in their place will stand here.
      </p>
    );
  const kept = (all.ours + all.cut) / total(all);
  return (
    <div className={css.figures}>
      <p>
        In {of(total(all), "result")}, {percent(kept)} show our wording. Last looked at on {day(lastLooked)}.
      </p>
      <Bar share={all} />
      <ul className={css.key}>
        {WORDINGS.map((each) => (
          <li key={each.wording}>
            <button type="button" aria-pressed={wording === each.wording} onClick={() => setWording(each.wording)}>
              <i data-shown={each.wording} aria-hidden /> <b>{count(each.of(all))}</b> {each.says}
            </button>
          </li>
        ))}
      </ul>
      {Object.entries(acceptance.replaced).map(([field, traits]) => (
        <section key={field}>
          <h3>What the replaced {fieldLabel(field)}s have in common</h3>
          <ul>
            {traits.map((trait) => (
              <li key={trait.what}>
                {count(trait.replaced)} of {count(trait.ofReplaced)} {trait.what}; of those shown, {count(trait.shown)}{" "}
                of {count(trait.ofShown)}.
              </li>
            ))}
          </ul>
        </section>
      ))}
      <div className={css.parts}>
        <Parts name="By text" shares={acceptance.byField} />
        <Parts name="By length" shares={acceptance.byLength} />
        <Parts name="By ending" shares={acceptance.byTemplate} />
        <Parts name="By section" shares={acceptance.bySection} />
        <Parts name="By month" shares={acceptance.byMonth} says={month} />
      </div>
      <Results propertyId={propertyId} handover={handover} wording={wording} />
    </div>
  );
}

function Bar({ share }: { share: ShownShare }) {
  return (
    <span
      className={css.share}
      role="img"
      aria-label={WORDINGS.map((each) => `${count(each.of(share))} ${each.says}`).join(", ")}
    >
      {WORDINGS.map(
        (each) =>
          each.of(share) > 0 && <i key={each.wording} data-shown={each.wording} style={{ flexGrow: each.of(share) }} />,
      )}
    </span>
  );
}

function Parts({
  name,
  shares,
  says = (what) => what,
}: {
  name: string;
  shares: ShownShare[];
  says?: (what: string) => string;
}) {
  return (
    <section>
      <h3>{name}</h3>
      <PlainTable dense head={["", "shown", "results", "our wording"]} right={[2, 3]}>
        <tbody>
          {shares.map((share) => (
            <tr key={share.what}>
              <td>{says(share.what)}</td>
              <td>
                <Bar share={share} />
              </td>
              <td>{count(total(share))}</td>
              <td>{percent((share.ours + share.cut) / Math.max(1, total(share)))}</td>
            </tr>
          ))}
        </tbody>
      </PlainTable>
    </section>
  );
}

function Results({ propertyId, handover, wording }: { propertyId: number; handover?: number; wording: Wording }) {
  const results = useQuery({
    queryKey: ofProperty(propertyId, "acceptance-results", handover, wording),
    queryFn: () =>
      answer(
        api.GET("/api/properties/{propertyId}/acceptance/results", {
          params: { path: { propertyId }, query: { handover, wording } },
        }),
      ),
    placeholderData: (before) => before,
  });
  return (
    <ul className={css.results} aria-label="Results">
      {results.data?.map((result) => (
        <li key={`${result.query} ${result.itemId} ${result.field}`}>
          <span title={result.address}>
            <b>{result.query}</b>
            <small>
              position {Math.round(result.position)}, {pathOf(result.address)}, {fieldLabel(result.field)}
            </small>
          </span>
          <dl>
            <dt>ours</dt>
            <dd>{result.ours}</dd>
            <dt>shown</dt>
            <dd>{result.shown}</dd>
          </dl>
        </li>
      ))}
    </ul>
  );
}

import { Button } from "@mantine/core";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { useChecks } from "../api/queries";
import { TableLinks } from "../parts/FileLink";
import { FIELDS, fieldName } from "../parts/fields";
import { count, day } from "../parts/number";
import stage from "../parts/stage.module.css";
import { useProperty } from "../parts/useProperty";
import { AsideCauses } from "./AsideCauses";
import { CauseList } from "./CauseList";
import { ChecklistView } from "./ChecklistView";
import { Costs, useCosts } from "./Costs";
import { FoundItems } from "./FoundItems";
import { ReportDialog } from "./ReportDialog";
import { SetsView } from "./SetsView";
import { Since } from "./Since";
import { Spots } from "./Spots";
import { StandardView } from "./StandardView";
import css from "./Triage.module.css";
import { TriageHead } from "./TriageHead";

/** The views that need all the room there is. */
const WIDE = new Set(["standard", "sets"]);

/** What is wrong, by cause, the weightiest first; or the items that one check found. */
export function Triage() {
  const { propertyId, standing } = useProperty();
  const [search] = useSearchParams();
  const view = search.get("view") ?? "";
  if (search.get("check")) return <FoundItems propertyId={propertyId} />;
  return (
    <div className={stage.stage}>
      <div className={css.page}>
        <div className={css.causes}>
          {view === "costs" && <Costs propertyId={propertyId} />}
          {view === "checklist" && <ChecklistView propertyId={propertyId} />}
          {view === "standard" && <StandardView propertyId={propertyId} />}
          {view === "sets" && <SetsView propertyId={propertyId} />}
          {view === "" && (
            <>
              <TriageHead
                title="What holds this property back"
                csv={`/api/properties/${propertyId}/causes.csv`}
                more={<Report propertyId={propertyId} />}
              >
                {standing && (
                  <p>
                    {count(standing.withFindings)} of {count(standing.indexable)} indexable items have findings.{" "}
                    <RankedBy propertyId={propertyId} />
                  </p>
                )}
                <Since propertyId={propertyId} />
              </TriageHead>
              <CauseList propertyId={propertyId} gathered={(standing?.items ?? 0) > 0} />
              <AsideCauses propertyId={propertyId} />
            </>
          )}
        </div>
        {!WIDE.has(view) && <Ledger propertyId={propertyId} />}
      </div>
    </div>
  );
}

/** Leads to the report for the client. */
function Report({ propertyId }: { propertyId: number }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="xs" variant="default" onClick={() => setOpen(true)}>
        Report
      </Button>
      {open && <ReportDialog propertyId={propertyId} onClose={() => setOpen(false)} />}
    </>
  );
}

/** What the order of the causes rests on. */
function RankedBy({ propertyId }: { propertyId: number }) {
  const costs = useCosts(propertyId);
  if (!costs.data) return null;
  if (costs.data.from === "") {
    return <>Causes are ranked by the inbound links of their items, since no demand by item and query was imported.</>;
  }
  return (
    <>
      Causes are ranked by the clicks a month that better titles and descriptions could win at the positions of today,
      by demand of {day(costs.data.from)} to {day(costs.data.to)}.
    </>
  );
}

/** Every check with how many items it found, by field. */
function Ledger({ propertyId }: { propertyId: number }) {
  const checks = useChecks(propertyId);
  if (!checks.data || checks.data.length === 0) return null;
  const fields = [...new Set(checks.data.map((check) => check.field))];
  return (
    <aside className={css.ledger}>
      <Spots propertyId={propertyId} />
      <header>
        <h2>By check</h2>
        <TableLinks csv={`/api/properties/${propertyId}/findings.csv`} />
      </header>
      {FIELDS.filter((field) => fields.includes(field)).map((field) => (
        <section key={field}>
          <h3>{fieldName(field)}</h3>
          <ul>
            {checks.data
              .filter((check) => check.field === field)
              .map((check) => (
                <li key={check.check}>
                  <Link to={`?${new URLSearchParams({ field, check: check.check })}`}>{check.name}</Link>
                  <span>{count(check.items)}</span>
                </li>
              ))}
          </ul>
          {field === "indexing" && (
            <p className={css.apart}>What else is wrong with these is set apart and not counted above.</p>
          )}
        </section>
      ))}
    </aside>
  );
}

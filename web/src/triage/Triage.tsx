import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { answer, api, type Cause } from "../api/client";
import { ofProperty, useChecks } from "../api/queries";
import { TableLinks } from "../parts/FileLink";
import { FIELDS, fieldName } from "../parts/fields";
import { FIXES, WRITTEN } from "../parts/fixes";
import { atStake, count, day, of } from "../parts/number";
import stage from "../parts/stage.module.css";
import { useProperty } from "../parts/useProperty";
import { AsideCauses } from "./AsideCauses";
import { CauseMenu } from "./CauseMenu";
import { ChecklistView } from "./ChecklistView";
import { Costs, useCosts } from "./Costs";
import { filterOf } from "./causeFilter";
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

/** What a cause's button says. */
const actionOf = (fix: string) => FIXES[fix] ?? (fix === "bulk-edit" ? "Open in Rewrite" : "Preview");

function CauseList({ propertyId, gathered }: { propertyId: number; gathered: boolean }) {
  const navigate = useNavigate();
  const causes = useQuery({
    queryKey: ofProperty(propertyId, "causes"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/causes", { params: { path: { propertyId } } })),
  });
  if (causes.error) return <p className={css.empty}>{causes.error.message}</p>;
  if (causes.isPending) return <div className={css.skeleton} />;
  if (causes.data.length === 0) {
    return (
      <p className={css.empty}>
        {gathered
          ? "Nothing is wrong with the indexable items: every title, description, H1 and tag keeps to the standard."
          : "Nothing gathered yet. What is wrong with titles, descriptions and tags is shown here by cause, once it is."}
      </p>
    );
  }
  const clicks = causes.data.some((cause) => cause.stake.high > 0);
  const most = Math.max(...causes.data.map((cause) => (clicks ? cause.stake.high : cause.weight)));
  const mend = (cause: Cause) => {
    const filter = filterOf(cause);
    const field = WRITTEN.has(cause.field) ? cause.field : "";
    if (field && FIXES[cause.fix]) {
      filter.set("tool", cause.fix);
      filter.set("on", field);
    }
    navigate(`/p/${propertyId}/rewrite?${filter}`);
  };
  return (
    <ol className={css.list}>
      {causes.data.map((cause) => (
        <li key={`${cause.field} ${cause.check} ${cause.shared} ${cause.section} ${cause.trait}`}>
          <div className={css.says}>
            <Link to={`?${filterOf(cause)}`}>{cause.says}</Link>
            <span className={css.label}>{cause.label}</span>
          </div>
          {clicks ? <AtStake cause={cause} most={most} /> : <Weight cause={cause} most={most} />}
          <Button size="xs" variant="default" onClick={() => mend(cause)}>
            {actionOf(cause.fix)}
          </Button>
          <CauseMenu propertyId={propertyId} cause={cause} />
        </li>
      ))}
    </ol>
  );
}

const share = (part: number, most: number) => `${Math.max(0, (part / most) * 100)}%`;

/** The clicks that fixing a cause could win, with the band of what is uncertain, on one scale for all causes. */
function AtStake({ cause, most }: { cause: Cause; most: number }) {
  const { clicks, low, high } = cause.stake;
  if (high < 0.5) return <span className={css.unknown}>no clicks at stake</span>;
  return (
    <div className={css.stake}>
      <span className={css.scale}>
        <span className={css.bar} style={{ width: share(clicks, most) }} />
        <span className={css.band} style={{ left: share(low, most), width: share(high - low, most) }} />
      </span>
      <span className={css.links}>{atStake(cause.stake)}</span>
    </div>
  );
}

/** What ranks a cause where there is no demand. */
function Weight({ cause, most }: { cause: Cause; most: number }) {
  return (
    <div className={css.stake}>
      <span className={css.bar} style={{ width: share(Math.max(cause.weight, most / 100), most) }} />
      <span className={css.links}>{cause.links > 0 ? of(cause.links, "inbound link") : of(cause.items, "item")}</span>
    </div>
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

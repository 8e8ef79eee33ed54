import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { answer, api, type Cause } from "../api/client";
import { ofProperty } from "../api/queries";
import { FIXES, WRITTEN } from "../parts/fixes";
import { atStake, of } from "../parts/number";
import { QueryProblem } from "../parts/QueryProblem";
import { useLabels } from "../parts/useLabels";
import { CauseMenu } from "./CauseMenu";
import { filterOf, keyOf } from "./causeFilter";
import css from "./Triage.module.css";

/** The causes of what was found, those with most clicks at stake first; those that are merged open to their parts. */
export function CauseList({ propertyId, gathered }: { propertyId: number; gathered: boolean }) {
  const causes = useQuery({
    queryKey: ofProperty(propertyId, "causes"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/causes", { params: { path: { propertyId } } })),
  });
  if (causes.error) return <QueryProblem query={causes} className={css.empty} />;
  if (causes.isPending) return <div className={css.skeleton} aria-busy />;
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
  const row = { propertyId, all: causes.data, clicks, most };
  return (
    <ol className={css.list}>
      {causes.data.map((cause) =>
        cause.parts.length > 0 ? (
          <Merged key={`merged ${cause.says}`} cause={cause} {...row} />
        ) : (
          <Single key={keyOf(cause)} cause={cause} {...row} />
        ),
      )}
    </ol>
  );
}

interface RowProps {
  propertyId: number;
  cause: Cause;
  all: Cause[];
  /** Whether any cause has clicks at stake. */
  clicks: boolean;
  /** What the longest bar stands for. */
  most: number;
}

const Worth = ({ cause, clicks, most }: RowProps) =>
  clicks ? <AtStake cause={cause} most={most} /> : <Weight cause={cause} most={most} />;

/** What a cause's button says. */
const actionOf = (fix: string) => FIXES[fix] ?? (fix === "bulk-edit" ? "Open in Rewrite" : "Preview");

function Single(props: RowProps) {
  const { propertyId, cause, all } = props;
  const navigate = useNavigate();
  const labelOf = useLabels(propertyId);
  const mend = () => {
    const filter = filterOf(cause);
    const field = WRITTEN.has(cause.field) ? cause.field : "";
    if (field && cause.fix && FIXES[cause.fix]) {
      filter.set("tool", cause.fix);
      filter.set("on", field);
    }
    navigate(`/p/${propertyId}/rewrite?${filter}`);
  };
  return (
    <li>
      <div className={css.says}>
        <Link to={`?${filterOf(cause)}`}>{cause.says}</Link>
        <span className={css.label}>{labelOf(cause.field, cause.check)}</span>
      </div>
      <Worth {...props} />
      <Button size="xs" variant="default" onClick={mend}>
        {actionOf(cause.fix ?? "")}
      </Button>
      <CauseMenu propertyId={propertyId} cause={cause} all={all} />
    </li>
  );
}

/** Causes that a person merged: one row that opens to theirs. */
function Merged(props: RowProps) {
  const { propertyId, cause, all } = props;
  const [open, setOpen] = useState(false);
  return (
    <>
      <li>
        <div className={css.says}>
          <button type="button" aria-expanded={open} onClick={() => setOpen(!open)}>
            {cause.says}
          </button>
          <span className={css.label}>
            {of(cause.items, "finding")} of {of(cause.parts.length, "cause")}, merged by hand
          </span>
        </div>
        <Worth {...props} />
        <Button size="xs" variant="default" onClick={() => setOpen(!open)}>
          {open ? "Hide its causes" : "Show its causes"}
        </Button>
        <CauseMenu propertyId={propertyId} cause={cause} all={all} />
      </li>
      {open && (
        <li className={css.parts}>
          <ol className={css.list} aria-label={cause.says}>
            {cause.parts.map((part) => (
              <Single key={keyOf(part)} {...props} cause={part} />
            ))}
          </ol>
        </li>
      )}
    </>
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

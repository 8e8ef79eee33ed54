import { NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link, useSearchParams } from "react-router";
import { answer, api, type Checklist, type ChecklistLine } from "../api/client";
import { ofProperty, useSets } from "../api/queries";
import { FIELDS, fieldName } from "../parts/fields";
import { count, day, of, percent } from "../parts/number";
import { PlainTable } from "../parts/PlainTable";
import { QueryProblem } from "../parts/QueryProblem";
import css from "./ChecklistView.module.css";
import triage from "./Triage.module.css";
import { TriageHead } from "./TriageHead";

/** What is in place of the property or a set and what is missing, check by check, and how that moved over the sweeps. */
export function ChecklistView({ propertyId }: { propertyId: number }) {
  const [search, setSearch] = useSearchParams();
  const set = search.get("set") ?? "";
  const sets = useSets(propertyId);
  const checklist = useQuery({
    queryKey: ofProperty(propertyId, "checklist", set),
    queryFn: () =>
      answer(
        api.GET("/api/properties/{propertyId}/checklist", {
          params: { path: { propertyId }, query: set ? { set: Number(set) } : {} },
        }),
      ),
  });
  const list = checklist.data;
  return (
    <>
      <TriageHead title="What is in place">
        {list && (
          <p>
            The share of {of(list.indexable, "indexable item")} that each check finds nothing wrong with
            {list.sweeps.length > 1 && <>, now and after each sweep since {day(list.sweeps[0].swept)}</>}.
            {list.sweeps.length === 0 && set && <> Once it is swept again, what it was before stands beside it.</>}
          </p>
        )}
        {(sets.data?.length ?? 0) > 0 && (
          <NativeSelect
            className={css.set}
            aria-label="Set"
            size="xs"
            value={set}
            onChange={(event) =>
              setSearch({
                view: "checklist",
                ...(event.currentTarget.value && { set: event.currentTarget.value }),
              })
            }
            data={[
              { value: "", label: "the whole property" },
              ...(sets.data ?? []).map((each) => ({
                value: `${each.id}`,
                label: `${each.name} (${count(each.items)})`,
              })),
            ]}
          />
        )}
      </TriageHead>
      {checklist.error && <QueryProblem query={checklist} className={triage.empty} />}
      {checklist.isPending && <div className={triage.skeleton} aria-busy />}
      {list && list.indexable === 0 && (
        <p className={triage.empty}>
          {set
            ? "No item of this set is indexable."
            : "Nothing gathered yet. What is in place is shown here once it is."}
        </p>
      )}
      {list &&
        list.indexable > 0 &&
        FIELDS.map((field) => {
          const lines = list.checks.filter((line) => line.field === field);
          if (lines.length === 0) return null;
          return (
            <section key={field} className={css.field}>
              <h2>{fieldName(field)}</h2>
              <PlainTable
                head={[
                  "Check",
                  "In place",
                  earlierDay(list),
                  list.sweeps.length > 1 ? "Over the sweeps" : "",
                  "To fix",
                ]}
                right={[1, 2, 4]}
              >
                <tbody>
                  {lines.map((line) => (
                    <Line key={line.check} line={line} list={list} set={set} />
                  ))}
                </tbody>
              </PlainTable>
            </section>
          );
        })}
    </>
  );
}

const inPlace = (items: number, indexable: number) => (indexable === 0 ? 1 : 1 - items / indexable);

/** The place of the sweep before the last one; below 0 where there is none. */
const earlierOf = (list: Checklist) => list.sweeps.length - 2;

const earlierDay = (list: Checklist) => {
  const before = list.sweeps[earlierOf(list)];
  return before ? `On ${day(before.swept)}` : "";
};

/** A share in place; what is nearly all is never said to be all. */
const share = (part: number) => (part < 1 && part > 0.995 ? "99.5%+" : percent(part));

function Line({ line, list, set }: { line: ChecklistLine; list: Checklist; set: string }) {
  // A check that is younger than the property has counts of the latest sweeps only.
  const first = list.sweeps.length - line.before.length;
  const shares = line.before.map((items, i) => inPlace(items, list.sweeps[first + i].indexable));
  const now = inPlace(line.items, list.indexable);
  const earlier = earlierOf(list) - first;
  return (
    <tr>
      <td>{line.label.slice(0, 1).toUpperCase() + line.label.slice(1)}</td>
      <td className={triage.number}>{share(now)}</td>
      <td className={`${triage.number} ${css.soft}`}>{earlier < 0 ? "" : share(shares[earlier])}</td>
      <td>
        <Course shares={[...shares, now]} />
      </td>
      <td className={triage.number}>
        {line.items === 0 ? (
          "–"
        ) : (
          <Link to={`?${new URLSearchParams({ field: line.field, check: line.check, ...(set && { set }) })}`}>
            {count(line.items)}
          </Link>
        )}
      </td>
    </tr>
  );
}

const WIDTH = 96;
const HEIGHT = 20;

/** A line of shares over the sweeps, from what it was at worst to all. */
function Course({ shares }: { shares: number[] }) {
  if (shares.length < 3) return null;
  const low = Math.min(...shares, 0.95);
  const x = (i: number) => 2 + (i / (shares.length - 1)) * (WIDTH - 4);
  const y = (part: number) => 2 + ((1 - part) / (1 - low || 1)) * (HEIGHT - 4);
  const points = shares.map((part, i) => `${x(i).toFixed(1)},${y(part).toFixed(1)}`).join(" ");
  return (
    <svg
      className={css.course}
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label={`In place over the sweeps: ${shares.map(share).join(", ")}`}
    >
      <polyline points={points} />
      <circle cx={x(shares.length - 1)} cy={y(shares[shares.length - 1])} r="2.5" />
    </svg>
  );
}

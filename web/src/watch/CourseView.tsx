import { Button, NativeSelect, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { answer, api, type CoursePoint, type DemandReported, type Mark, type NamedCourse } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { TableLinks } from "../parts/FileLink";
import { LineChart } from "../parts/LineChart";
import { count, day, month, of, pathOf, percent } from "../parts/number";
import { PlainTable } from "../parts/PlainTable";
import { QueryProblem } from "../parts/QueryProblem";
import { useSearchChange } from "../parts/useSearchChange";
import { AddPart } from "./AddPart";
import css from "./Watch.module.css";

type Grain = "day" | "week" | "month";
type Figure = "clicks" | "impressions" | "rate" | "position";

const FIGURES: Record<
  Figure,
  { label: string; of: (reported: DemandReported) => number | null; say: (n: number) => string }
> = {
  clicks: { label: "Clicks", of: (r) => r.clicks, say: (n) => `${count(Math.round(n))} clicks` },
  impressions: { label: "Impressions", of: (r) => r.impressions, say: (n) => `${count(Math.round(n))} impressions` },
  rate: { label: "CTR", of: (r) => (r.impressions === 0 ? null : r.rate), say: (n) => percent(n) },
  position: {
    label: "Average position",
    of: (r) => (r.position < 1 ? null : r.position),
    say: (n) => n.toFixed(1),
  },
};

/** How the lines of a picture are told apart besides their colour. */
export const DASHES = [undefined, undefined, "7 4", "2 3", "10 3 2 3", "1 4"];

const YEAR: Record<Grain, number> = { day: 364, week: 52, month: 12 };

/** Clicks, impressions, CTR and positions of parts of the property over all the time that is reported. */
export function CourseView({ propertyId }: { propertyId: number }) {
  const [search] = useSearchParams();
  const change = useSearchChange();
  const codes = (search.get("of") || "all").split("|");
  const grain = (search.get("grain") ?? "week") as Grain;
  const figure = (search.get("figure") ?? "clicks") as Figure;
  const found = useQuery({
    queryKey: ofProperty(propertyId, "watch-course", codes, grain),
    queryFn: () =>
      answer(
        api.GET("/api/properties/{propertyId}/watch/course", {
          params: { path: { propertyId }, query: { of: codes, grain } },
        }),
      ),
    placeholderData: (before) => before,
  });
  const setParts = (parts: string[]) => change({ of: parts.join("|") });
  if (found.error) return <QueryProblem query={found} className={css.view} />;
  if (!found.data) return <div className={css.view} aria-busy />;
  const { courses, usualDays, holes, marks, moved } = found.data;
  if (courses.length === 0)
    return (
      <div className={css.view}>
        <header className={css.head}>
          <h1>No demand is reported yet</h1>
        </header>
        <p className={css.soft}>
          Fetch or import clicks, impressions and positions by item, query and week under Aim, Demand. They will stand
          here over time, with your releases on the time line.
        </p>
      </div>
    );
  const points = courses[0].course.points;
  const { label, of: pick, say } = FIGURES[figure];
  const lines = courses.map((each, i) => ({
    name: nameOf(each),
    values: values(each.course.points, pick),
    ours: i === 0,
    dashes: DASHES[i],
  }));
  if (courses.length === 1 && points.length > YEAR[grain])
    lines.push({
      name: "last year",
      values: points.map((_, i) => (i < YEAR[grain] ? null : lines[0].values[i - YEAR[grain]])),
      ours: false,
      dashes: "3 3",
    });
  const isDrawn = lines.some((line) => line.values.some((value) => value !== null));
  const name = (point: CoursePoint) => (grain === "month" ? month(point.first.slice(0, 7)) : day(point.first));
  return (
    <div className={css.view}>
      <header className={css.head}>
        <h1>Clicks and positions</h1>
        <p>
          {day(points[0].first)} to {day(points[points.length - 1].first)}
          {holes.length > 0 && `; of ${of(holes.length, grain)} nothing is reported`}
          {moved.map(({ from, to }) => `; what was reported of ${from} counts for the same paths on ${to}`).join("")}
        </p>
        <TableLinks
          csv={`/api/properties/${propertyId}/watch/course.csv?grain=${grain}&${codes.map((code) => `of=${encodeURIComponent(code)}`).join("&")}`}
        />
      </header>
      <div className={css.controls}>
        <NativeSelect
          label="Figure"
          value={figure}
          onChange={(event) => change({ figure: event.currentTarget.value })}
          data={Object.entries(FIGURES).map(([value, { label }]) => ({ value, label }))}
        />
        <NativeSelect
          label="By"
          value={grain}
          onChange={(event) => change({ grain: event.currentTarget.value })}
          data={[
            { value: "day", label: "day", disabled: usualDays > 1 },
            { value: "week", label: "week", disabled: usualDays > 10 },
            { value: "month", label: "month" },
          ]}
        />
        <AddPart propertyId={propertyId} onAdd={(code) => setParts([...codes.filter((each) => each !== code), code])} />
      </div>
      <ul className={css.chips} aria-label="Compared">
        {courses.map((each, i) => (
          <li key={each.code}>
            <svg width="22" height="8" aria-hidden>
              <line x1="0" x2="22" y1="4" y2="4" data-ours={i === 0} strokeDasharray={DASHES[i]} />
            </svg>
            {nameOf(each)}
            {courses.length > 1 && (
              <button
                type="button"
                aria-label={`Remove ${nameOf(each)}`}
                onClick={() => setParts(codes.filter((code) => code !== each.code))}
              >
                ×
              </button>
            )}
          </li>
        ))}
        {courses.length === 1 && lines.length > 1 && (
          <li>
            <svg width="22" height="8" aria-hidden>
              <line x1="0" x2="22" y1="4" y2="4" strokeDasharray="3 3" />
            </svg>
            last year
          </li>
        )}
      </ul>
      {isDrawn ? (
        <LineChart
          label={`${label} by ${grain}`}
          unit={label}
          say={say}
          upsideDown={figure === "position"}
          places={points.map(name)}
          lines={lines}
          holes={points.map((point) => point.figures === null || !point.whole)}
          marks={placed(marks, points)}
        />
      ) : (
        <p className={css.soft}>Nothing is reported of this.</p>
      )}
      {codes.length === 1 && codes[0].startsWith("query:") && (
        <>
          <Holders propertyId={propertyId} query={codes[0].slice("query:".length)} />
          <ResultLists propertyId={propertyId} query={codes[0].slice("query:".length)} />
        </>
      )}
      <Sums courses={courses} />
      <Notes propertyId={propertyId} marks={marks} />
    </div>
  );
}

const nameOf = (each: NamedCourse) => (each.code.startsWith("item:") ? pathOf(each.name) : each.name);

const values = (points: CoursePoint[], pick: (reported: DemandReported) => number | null) =>
  points.map((point) => (point.figures === null ? null : pick(point.figures)));

/** Marks at the last point that does not begin after their day; those of one point together. */
function placed(marks: Mark[], points: CoursePoint[]) {
  const byPoint = new Map<number, string[]>();
  for (const mark of marks) {
    const at = points.findLastIndex((point) => point.first <= mark.day);
    if (at >= 0) byPoint.set(at, [...(byPoint.get(at) ?? []), `${mark.text}, ${day(mark.day)}`]);
  }
  return [...byPoint].map(([at, texts]) => ({ at, text: texts.join("; ") }));
}

const versus = (now: number, before: number | undefined) =>
  before === undefined || before === 0 ? "–" : `${now >= before ? "+" : "−"}${percent(Math.abs(now / before - 1))}`;

function Sums({ courses }: { courses: NamedCourse[] }) {
  return (
    <section className={css.figures}>
      <h2>The last thirteen weeks</h2>
      <PlainTable
        head={["", "clicks", "vs before", "vs last year", "impressions", "CTR", "average position", "before"]}
        right={[1, 2, 3, 4, 5, 6, 7]}
      >
        <tbody>
          {courses.map((each) => {
            const { now, before, yearBefore } = each.course;
            if (now === null)
              return (
                <tr key={each.code}>
                  <td>{nameOf(each)}</td>
                  <td colSpan={7}>nothing reported</td>
                </tr>
              );
            return (
              <tr key={each.code}>
                <td>{nameOf(each)}</td>
                <td>{count(now.clicks)}</td>
                <td>{versus(now.clicks, before?.clicks)}</td>
                <td>{versus(now.clicks, yearBefore?.clicks)}</td>
                <td>{count(now.impressions)}</td>
                <td>{percent(now.rate)}</td>
                <td>{now.position < 1 ? "–" : now.position.toFixed(1)}</td>
                <td>{!before || before.position < 1 ? "–" : before.position.toFixed(1)}</td>
              </tr>
            );
          })}
        </tbody>
      </PlainTable>
    </section>
  );
}

/** Which item stood for a query, and when that changed hands. */
function Holders({ propertyId, query }: { propertyId: number; query: string }) {
  const holders = useQuery({
    queryKey: ofProperty(propertyId, "watch-holders", query),
    queryFn: () =>
      answer(
        api.GET("/api/properties/{propertyId}/watch/holders", { params: { path: { propertyId }, query: { query } } }),
      ),
  }).data;
  if (!holders || holders.length === 0) return null;
  return (
    <section className={css.figures}>
      <h2>{holders.length === 1 ? "The item that stands for it" : "It changed hands"}</h2>
      <PlainTable dense head={["item", "from", "weeks", "average position"]} right={[1, 2, 3]}>
        <tbody>
          {holders.map((holder) => (
            <tr key={holder.first}>
              <td>{pathOf(holder.address)}</td>
              <td>{day(holder.first)}</td>
              <td>{count(holder.weeks)}</td>
              <td>{holder.position < 1 ? "–" : holder.position.toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </PlainTable>
    </section>
  );
}

/** Where the property stood in the result lists of a query, with the results next to it. */
function ResultLists({ propertyId, query }: { propertyId: number; query: string }) {
  const looks = useQuery({
    queryKey: ofProperty(propertyId, "watch-looks", query),
    queryFn: () =>
      answer(
        api.GET("/api/properties/{propertyId}/watch/looks", { params: { path: { propertyId }, query: { query } } }),
      ),
  }).data;
  if (!looks || looks.length === 0) return null;
  const beside = (result: (typeof looks)[number]["above"]) =>
    result ? `${result.title} (${hostOf(result.address)})` : "–";
  return (
    <section>
      <h2>In result lists</h2>
      <PlainTable dense head={["looked at", "position", "page", "above it", "below it"]} right={[]}>
        <tbody>
          {looks.map(({ day: looked, results, ours, above, below }) => (
            <tr key={looked}>
              <td>{day(looked)}</td>
              <td>{ours ? ours.position : `not in ${of(results, "result")}`}</td>
              <td>{ours ? pathOf(ours.address) : "–"}</td>
              <td>{beside(above)}</td>
              <td>{beside(below)}</td>
            </tr>
          ))}
        </tbody>
      </PlainTable>
    </section>
  );
}

const hostOf = (address: string) => address.replace(/^https?:\/\//, "").split("/")[0];

function Notes({ propertyId, marks }: { propertyId: number; marks: Mark[] }) {
  const [on, setOn] = useState(new Date().toISOString().slice(0, 10));
  const [text, setText] = useState("");
  const add = useChange(propertyId, (note: { day: string; text: string }) =>
    answer(api.POST("/api/properties/{propertyId}/watch/notes", { params: { path: { propertyId } }, body: note })),
  );
  const remove = useChange(propertyId, (id: number) =>
    answer(api.DELETE("/api/properties/{propertyId}/watch/notes/{id}", { params: { path: { propertyId, id } } })),
  );
  const notes = marks.filter((mark) => mark.kind === "note");
  return (
    <section>
      <h2>Notes on the time line</h2>
      <form
        className={css.note}
        onSubmit={(event) => {
          event.preventDefault();
          add.mutate({ day: on, text }, { onSuccess: () => setText("") });
        }}
      >
        <TextInput type="date" label="Day" value={on} required onChange={(event) => setOn(event.currentTarget.value)} />
        <TextInput
          label="What happened"
          value={text}
          required
          maxLength={500}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <Button type="submit" variant="default" loading={add.isPending}>
          Add note
        </Button>
      </form>
      {notes.length > 0 && (
        <ul className={css.rows}>
          {notes.map((note) => (
            <li key={note.id}>
              {day(note.day)}: {note.text}{" "}
              <button type="button" className={css.quiet} onClick={() => remove.mutate(note.id)}>
                Remove
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

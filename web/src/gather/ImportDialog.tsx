import { Button, Checkbox, Modal, NativeSelect } from "@mantine/core";
import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ImportPlan, type ImportTrial, type Property } from "../api/client";
import { useChange } from "../api/queries";
import { count } from "../parts/number";
import { PlainTable } from "../parts/PlainTable";
import { QueryProblem } from "../parts/QueryProblem";
import stage from "../parts/stage.module.css";
import css from "./Gather.module.css";

type Meaning = ImportPlan["columns"][number]["meaning"];
type Kind = NonNullable<ImportPlan["kind"]>;
type Dates = NonNullable<ImportPlan["dates"]>;

const KINDS: Record<Kind, string> = {
  PAGES: "pages",
  LISTINGS: "listings",
  VIDEOS: "videos",
  DEMAND: "demand: clicks and impressions by query",
  KEYWORDS: "keywords",
  RESULTS: "results: who ranks for a query",
};

const name = (meaning: Meaning) => (meaning === "UNUSED" ? "not used" : meaning.toLowerCase());

/** What a column was told by, in words. */
function evidence(column: ImportPlan["columns"][number], chosen: Meaning) {
  if (chosen !== column.meaning || chosen === "UNUSED" || column.sure > 0.7) return "";
  return column.sure > 0.55 ? "by part of its name" : "by what it holds";
}

/** How a file was understood; put right where the guess is wrong, tried, and read. */
export function ImportDialog(props: { property: Property; first: ImportPlan; onClose: () => void }) {
  const { property, first, onClose } = props;
  const [plan, setPlan] = useState(first);
  const [meanings, setMeanings] = useState<Meaning[]>(first.columns.map((column) => column.meaning));
  const [dates, setDates] = useState<Dates | null>(first.dates);
  const token = plan.token;
  const [agreed, setAgreed] = useState<Meaning[]>([]);
  const asGuessed = meanings.every((meaning, i) => meaning === plan.columns[i].meaning);
  const asked = useQuery({
    queryKey: ["import-questions", token, plan.kind, plan.sheet, meanings],
    queryFn: () =>
      answer(api.POST("/api/imports/{token}/questions", { params: { path: { token } }, body: { meanings } })),
    enabled: !asGuessed,
    placeholderData: keepPreviousData,
  });
  const questions = asGuessed ? plan.questions : (asked.data ?? plan.questions);
  const open = questions.filter((question) => !question.agreed && !agreed.includes(question.meaning));
  const leaveEmpty = questions.filter((question) => !open.includes(question)).map((question) => question.meaning);
  const choice = { meanings, dates: dates ?? undefined, leaveEmpty };
  const take = (column: number, meaning: Meaning) => {
    const once = meaning !== "UNUSED" && meaning !== "MONTH";
    setMeanings(meanings.map((m, k) => (k === column ? meaning : once && m === meaning ? "UNUSED" : m)));
    trial.reset();
  };
  const show = (next: ImportPlan) => {
    setPlan(next);
    setMeanings(next.columns.map((column) => column.meaning));
    setDates(next.dates);
    setAgreed([]);
    trial.reset();
  };
  const again = useMutation({
    mutationFn: (query: { kind?: Kind; sheet?: string }) =>
      answer(api.GET("/api/imports/{token}", { params: { path: { token }, query } })),
    onSuccess: (next) => show(next as ImportPlan),
  });
  const trial = useMutation({
    mutationFn: () => answer(api.POST("/api/imports/{token}/trial", { params: { path: { token } }, body: choice })),
  });
  const read = useChange(property.id, () =>
    answer(api.POST("/api/imports/{token}/apply", { params: { path: { token } }, body: choice })),
  );
  const hasDates = meanings.some((meaning) => ["PUBLISHED", "MODIFIED", "FROM", "TO"].includes(meaning));
  const item = ["PAGES", "LISTINGS", "VIDEOS"].includes(plan.kind);
  return (
    <Modal opened onClose={onClose} size={980} title={plan.fileName}>
      <div className={stage.block}>
        <p>
          {plan.encoding === "none" ? "Read" : `Read as ${plan.encoding}`}
          {plan.delimiter === "none" ? "" : `, cells separated by ${plan.delimiter}`}.{" "}
          {plan.remembered
            ? "Columns are recognised as they were last time."
            : "Correct a column where the guess is wrong."}
          {plan.above.length > 0 && ` Left out above the table: ${plan.above.join("; ")}`}
        </p>
        <div className={css.choices}>
          <NativeSelect
            label="Rows are"
            value={plan.kind}
            data={plan.kinds.map((kind) => ({ value: kind, label: KINDS[kind] }))}
            onChange={(event) =>
              again.mutate({ kind: event.currentTarget.value as Kind, sheet: plan.sheet ?? undefined })
            }
          />
          {plan.sheets.length > 1 && (
            <NativeSelect
              label="Sheet"
              value={plan.sheet ?? ""}
              data={plan.sheets}
              onChange={(event) => again.mutate({ sheet: event.currentTarget.value })}
            />
          )}
          {hasDates && (
            <NativeSelect
              label="Dates such as 03/04/2026"
              value={dates ?? ""}
              onChange={(event) => {
                setDates((event.currentTarget.value || null) as Dates | null);
                trial.reset();
              }}
              data={[
                ...(plan.dates === null ? [{ value: "", label: "please choose" }] : []),
                { value: "DAY_FIRST", label: "the day comes first" },
                { value: "MONTH_FIRST", label: "the month comes first" },
              ]}
            />
          )}
        </div>
        {plan.notes.map((note) => (
          <p key={note} className={css.note}>
            {note}
          </p>
        ))}
        {asked.error && <QueryProblem query={asked} />}
        {questions.map((question) => (
          <div key={question.meaning} className={css.question}>
            <p>{question.sentence}</p>
            {question.column >= 0 && (
              <Button size="compact-sm" variant="default" onClick={() => take(question.column, question.meaning)}>
                Use “{plan.columns[question.column].name}”
              </Button>
            )}
            <Checkbox
              label={`Leave all ${question.meaning === "TAGS" ? "tags" : `${name(question.meaning)}s`} empty`}
              checked={!open.includes(question)}
              onChange={(event) =>
                setAgreed(
                  event.currentTarget.checked
                    ? [...agreed, question.meaning]
                    : agreed.filter((meaning) => meaning !== question.meaning),
                )
              }
              disabled={question.agreed}
            />
          </div>
        ))}
        <div className={css.plan}>
          <PlainTable
            head={plan.columns.map((column, i) => (
              <>
                {column.name}
                <NativeSelect
                  aria-label={`What ${column.name} holds`}
                  size="xs"
                  data={["UNUSED" as Meaning, ...plan.meanings].map((meaning) => ({
                    value: meaning,
                    label: name(meaning),
                  }))}
                  value={meanings[i]}
                  onChange={(event) => take(i, event.currentTarget.value as Meaning)}
                />
                <span className={css.sure}>{evidence(column, meanings[i])}</span>
              </>
            ))}
          >
            <tbody>
              {plan.columns[0].samples.map((_, row) => (
                <tr key={row}>
                  {plan.columns.map((column, i) => (
                    <td key={i}>
                      <span className={css.sample}>{column.samples[row]}</span>
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </PlainTable>
        </div>
        {trial.data && <TrialResult trial={trial.data} item={item} gone={plan.kind !== "PAGES"} />}
        <div className={css.choices}>
          <Button variant="default" loading={trial.isPending} onClick={() => trial.mutate()}>
            Test the import
          </Button>
          <Button
            loading={read.isPending}
            disabled={open.length > 0 || (hasDates && dates === null)}
            onClick={() => read.mutate(undefined, { onSuccess: onClose })}
          >
            Import
          </Button>
        </div>
      </div>
    </Modal>
  );
}

function TrialResult({ trial, item, gone }: { trial: ImportTrial; item: boolean; gone: boolean }) {
  const figures: [number, string][] = item
    ? [
        [trial.added, "new"],
        [trial.changed, "changed"],
        [trial.unchanged, "unchanged"],
        ...(gone ? [[trial.gone, "not in it any more"] as [number, string]] : []),
        [trial.unreadable, "cannot be read"],
      ]
    : [
        [trial.added, "new"],
        [trial.changed, "in the place of earlier ones"],
        [trial.unreadable, "cannot be read"],
      ];
  return (
    <div role="status" className={css.trial}>
      <p className={css.figures}>
        {figures.map(([number, word]) => (
          <span key={word}>
            <b>{count(number)}</b> {word}
          </span>
        ))}
      </p>
      <ul className={css.visits}>
        {trial.examples.map((example) => (
          <li key={example.line}>
            line {example.line}: {example.reason}
          </li>
        ))}
        {trial.leftOut.map((line) => (
          <li key={line.line}>
            line {line.line} is left out: {line.reason}
          </li>
        ))}
      </ul>
    </div>
  );
}

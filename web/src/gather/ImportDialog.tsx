import { Button, Modal, NativeSelect, Table } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ImportPlan, type ImportTrial, type Property } from "../api/client";
import { useChange } from "../api/queries";
import { count } from "../parts/number";
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

/** How a file was understood; put right where the guess is wrong, tried, and read. */
export function ImportDialog(props: { property: Property; first: ImportPlan; onClose: () => void }) {
  const { property, first, onClose } = props;
  const [plan, setPlan] = useState(first);
  const [meanings, setMeanings] = useState<Meaning[]>(first.columns.map((column) => column.meaning));
  const [dates, setDates] = useState<Dates | null>(first.dates);
  const token = plan.token;
  const choice = { meanings, dates: dates ?? undefined };
  const take = (next: ImportPlan) => {
    setPlan(next);
    setMeanings(next.columns.map((column) => column.meaning));
    setDates(next.dates);
    trial.reset();
  };
  const again = useMutation({
    mutationFn: (query: { kind?: Kind; sheet?: string }) =>
      answer(api.GET("/api/imports/{token}", { params: { path: { token }, query } })),
    onSuccess: (next) => take(next as ImportPlan),
  });
  const trial = useMutation({
    mutationFn: () => answer(api.POST("/api/imports/{token}/trial", { params: { path: { token } }, body: choice })),
  });
  const read = useChange(property.id, () =>
    answer(api.POST("/api/imports/{token}/apply", { params: { path: { token } }, body: choice })),
  );
  const hasDates = meanings.some((meaning) => ["PUBLISHED", "FROM", "TO"].includes(meaning));
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
        <div className={css.plan}>
          <Table>
            <Table.Thead>
              <Table.Tr>
                {plan.columns.map((column, i) => (
                  <Table.Th key={i}>
                    {column.name}
                    <NativeSelect
                      aria-label={`What ${column.name} holds`}
                      size="xs"
                      data={["UNUSED" as Meaning, ...plan.meanings].map((meaning) => ({
                        value: meaning,
                        label: name(meaning),
                      }))}
                      value={meanings[i]}
                      onChange={(event) => {
                        setMeanings(meanings.map((m, k) => (k === i ? (event.currentTarget.value as Meaning) : m)));
                        trial.reset();
                      }}
                    />
                  </Table.Th>
                ))}
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {plan.columns[0].samples.map((_, row) => (
                <Table.Tr key={row}>
                  {plan.columns.map((column, i) => (
                    <Table.Td key={i}>
                      <span className={css.sample}>{column.samples[row]}</span>
                    </Table.Td>
                  ))}
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        </div>
        {trial.data && <TrialResult trial={trial.data} item={item} gone={plan.kind !== "PAGES"} />}
        <div className={css.choices}>
          <Button variant="default" loading={trial.isPending} onClick={() => trial.mutate()}>
            Test the import
          </Button>
          <Button
            loading={read.isPending}
            disabled={hasDates && dates === null}
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
      {trial.examples.length > 0 && (
        <ul className={css.visits}>
          {trial.examples.map((example) => (
            <li key={example.line}>
              line {example.line}: {example.reason}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

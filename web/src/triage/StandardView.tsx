import { Button, Checkbox, NativeSelect, NumberInput, Textarea } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useSearchParams } from "react-router";
import {
  answer,
  api,
  type StandardCheck,
  type StandardDifference,
  type StandardForm,
  type StandardView as View,
} from "../api/client";
import { ofProperty, useChange, usePortfolio, useSets } from "../api/queries";
import { ChooseFile } from "../parts/ChooseFile";
import { TableLinks } from "../parts/FileLink";
import { FIELDS, fieldName } from "../parts/fields";
import { count, of } from "../parts/number";
import { QueryProblem } from "../parts/QueryProblem";
import { readJson } from "../parts/readJson";
import { tell, tellProblem } from "../parts/tell";
import { useSearchChange } from "../parts/useSearchChange";
import css from "./StandardView.module.css";
import triage from "./Triage.module.css";
import { TriageHead } from "./TriageHead";

interface Limit {
  /** Where it stands in the form: "title.maxChars". */
  path: string;
  label: string;
  unit: string;
  step?: number;
}

const LIMITS: { heading: string; limits: Limit[] }[] = [
  {
    heading: "Title",
    limits: [
      { path: "title.desktopPx", label: "Width on a desktop, at most", unit: "px" },
      { path: "title.mobilePx", label: "Width on mobile, at most", unit: "px" },
      { path: "title.maxChars", label: "Length, at most", unit: "characters" },
      { path: "title.minPx", label: "Width on a desktop, at least", unit: "px" },
      { path: "wording.maxTitleWords", label: "Words, at most", unit: "words" },
      { path: "wording.leadingWords", label: "The keyword starts within the first", unit: "words" },
      { path: "wording.maxPhrases", label: "Short phrases in a row, at most", unit: "phrases" },
      { path: "likeness.endingShare", label: "An ending is common from", unit: "of all titles", step: 0.05 },
      { path: "likeness.endingPx", label: "… and this width on", unit: "px" },
      { path: "likeness.nearTitles", label: "Nearly the same from", unit: "in common", step: 0.05 },
    ],
  },
  {
    heading: "Description",
    limits: [
      { path: "description.desktopPx", label: "Width on a desktop, at most", unit: "px" },
      { path: "description.mobilePx", label: "Width on mobile, at most", unit: "px" },
      { path: "description.maxChars", label: "Length, at most", unit: "characters" },
      { path: "description.minPx", label: "Width on a desktop, at least", unit: "px" },
      { path: "wording.maxDescriptionWords", label: "Words, at most", unit: "words" },
      { path: "wording.openingChars", label: "Words of the title within the first", unit: "characters" },
      { path: "likeness.nearDescriptions", label: "Nearly the same from", unit: "in common", step: 0.05 },
    ],
  },
  {
    heading: "Wording",
    limits: [
      { path: "wording.maxRepeats", label: "The same word in a text, at most", unit: "times" },
      { path: "wording.maxEmoji", label: "Emoji in a text, at most", unit: "emoji" },
      { path: "likeness.maxSeries", label: "Told apart by a name only, at most", unit: "texts" },
      { path: "settlingDays", label: "An item is young for", unit: "days" },
    ],
  },
  {
    heading: "Page",
    limits: [
      { path: "pages.maxSlugChars", label: "Slug, at most", unit: "characters" },
      { path: "pages.maxAltChars", label: "Alt text of an image, at most", unit: "characters" },
      { path: "pages.minInbound", label: "Meant to be found from", unit: "inbound links" },
    ],
  },
  {
    heading: "Tags",
    limits: [
      { path: "tags.max", label: "Tags of an item, at most", unit: "tags" },
      { path: "tags.maxChars", label: "Length of a tag, at most", unit: "characters" },
      { path: "tags.maxTotalChars", label: "All tags together, at most", unit: "characters" },
    ],
  },
];

type Part = Record<string, number | undefined>;

function limitIn(form: StandardForm, path: string): number | undefined {
  const [part, name] = path.split(".");
  const found = (form as Record<string, unknown>)[part];
  return (name === undefined ? found : (found as Part)?.[name]) as number | undefined;
}

function withValue(form: StandardForm, path: string, value: number): StandardForm {
  const [part, name] = path.split(".");
  if (name === undefined) return { ...form, [part]: value };
  return { ...form, [part]: { ...((form as Record<string, unknown>)[part] as Part), [name]: value } };
}

/** Without the empty lines of what is being typed. */
function withoutBlanks(form: StandardForm): StandardForm {
  const filled = (line: string) => line.trim() !== "";
  return { ...form, generic: form.generic?.filter(filled), calls: form.calls?.filter(filled) };
}

/** What the property's fields are held to: limits and checks, previewed before they are applied. */
export function StandardView({ propertyId }: { propertyId: number }) {
  const [search] = useSearchParams();
  const setSearch = useSearchChange();
  const setId = Number(search.get("set")) || undefined;
  return (
    <WhoseStandard
      key={setId ?? 0}
      propertyId={propertyId}
      setId={setId}
      onWhose={(set) => setSearch({ set: set || undefined })}
    />
  );
}

interface WhoseProps {
  propertyId: number;
  /** undefined for all items of the property */
  setId: number | undefined;
  onWhose: (set: string) => void;
}

function WhoseStandard({ propertyId, setId, onWhose }: WhoseProps) {
  const standard = useQuery({
    queryKey: ofProperty(propertyId, "standard", setId),
    queryFn: () =>
      answer(
        setId === undefined
          ? api.GET("/api/properties/{propertyId}/standard", { params: { path: { propertyId } } })
          : api.GET("/api/sets/{setId}/standard", { params: { path: { setId } } }),
      ),
  });
  const sets = useSets(propertyId);
  const [before, setBefore] = useState<StandardForm>();
  return (
    <>
      <TriageHead
        title="What texts are held to"
        more={
          <>
            What is let stand
            <TableLinks csv={`/api/properties/${propertyId}/exemptions.csv`} />
          </>
        }
      >
        <div className={css.whose}>
          {(sets.data?.length ?? 0) > 0 && (
            <NativeSelect
              size="xs"
              aria-label="Held to it"
              value={setId ?? ""}
              onChange={(event) => onWhose(event.currentTarget.value)}
              data={[
                { value: "", label: "all items" },
                ...(sets.data ?? []).map((set) => ({ value: `${set.id}`, label: `the set ${set.name}` })),
              ]}
            />
          )}
          <p>{saysOf(setId, standard.data?.own)} A change is previewed before it is applied.</p>
        </div>
      </TriageHead>
      {standard.error && <QueryProblem query={standard} className={triage.empty} />}
      {standard.isPending && <div className={triage.skeleton} aria-busy />}
      {standard.data && (
        <Form
          key={JSON.stringify(standard.data.set)}
          propertyId={propertyId}
          setId={setId}
          view={standard.data}
          before={before}
          onChanged={setBefore}
        />
      )}
    </>
  );
}

function saysOf(setId: number | undefined, own: boolean | undefined) {
  if (setId !== undefined)
    return own
      ? "What this set says itself is marked; all else is the property’s standard and follows it."
      : "This set is held to the property’s standard.";
  return own === false ? "The ready-made standard for this kind of property." : "A standard of this property’s own.";
}

interface FormProps {
  propertyId: number;
  setId: number | undefined;
  view: View;
  /** What held before the last change here. */
  before: StandardForm | undefined;
  onChanged: (before: StandardForm) => void;
}

function Form({ propertyId, setId, view, before, onChanged }: FormProps) {
  const [form, setForm] = useState<StandardForm>(view.set);
  const changed = useMemo(() => JSON.stringify(form) !== JSON.stringify(view.set), [form, view.set]);
  const [previewed, setPreviewed] = useState<StandardForm>();
  const preview = usePreview(propertyId, setId, previewed);
  const apply = useChange(propertyId, (body: StandardForm | undefined) => answer(applyTo(propertyId, setId, body)));
  const set = (next: StandardForm) => {
    setForm(next);
    setPreviewed(undefined);
  };
  const applyNow = (body: StandardForm | undefined) =>
    // Not by callbacks of the call: the form is made anew with what is set, and would not hear of them.
    apply.mutateAsync(body).then(
      (done) => {
        onChanged(done.before);
        tell("The standard is applied; all items are being held to it.");
      },
      () => undefined,
    );
  const off = new Set(form.off ?? []);
  const fields = FIELDS.filter((field) => view.checks.some((check) => check.field === field));
  const shown = LIMITS.filter(({ heading }) =>
    heading === "Tags" ? fields.includes("tags") : heading !== "Page" || fields.includes("slug"),
  );
  return (
    <form className={css.form} onSubmit={(event) => event.preventDefault()}>
      <div className={css.bar}>
        <Button
          size="xs"
          disabled={!changed}
          loading={preview.isLoading}
          variant="default"
          onClick={() => setPreviewed(withoutBlanks(form))}
        >
          Preview
        </Button>
        <Button size="xs" disabled={!changed} loading={apply.isPending} onClick={() => applyNow(withoutBlanks(form))}>
          Apply
        </Button>
        <Button size="xs" variant="subtle" disabled={!changed} onClick={() => set(view.set)}>
          Revert
        </Button>
        {before && (
          <Button size="xs" variant="subtle" onClick={() => applyNow(before)}>
            Undo
          </Button>
        )}
        {view.own && (
          <Button size="xs" variant="subtle" onClick={() => applyNow(undefined)}>
            {setId === undefined ? "Back to the ready-made one" : "Back to the property’s"}
          </Button>
        )}
        <span className={css.rest}>
          <CopyFrom propertyId={propertyId} onStandard={set} />
          <ChooseFile
            size="xs"
            variant="subtle"
            label="Open JSON"
            accept=".json,application/json"
            onFile={(file) => readJson<StandardForm>(file, "a standard").then(set, tellProblem)}
          />
          <a
            className={css.link}
            download="standard.json"
            href={`data:application/json,${encodeURIComponent(JSON.stringify(withoutBlanks(form), null, 2))}`}
          >
            Save JSON
          </a>
        </span>
      </div>
      {preview.problem && (
        <p role="alert" className={css.difference}>
          {preview.problem.message}
        </p>
      )}
      {preview.difference && <Difference difference={preview.difference} more={preview.more} />}
      <div className={css.columns}>
        <div>
          {shown.map(({ heading, limits }) => (
            <section key={heading}>
              <h2>{heading}</h2>
              {limits.map((limit) => (
                <NumberInput
                  key={limit.path}
                  size="xs"
                  className={
                    limitIn(form, limit.path) === limitIn(view.ready, limit.path)
                      ? css.limit
                      : `${css.limit} ${css.own}`
                  }
                  label={limit.label}
                  suffix={` ${limit.unit}`}
                  min={0}
                  step={limit.step ?? 1}
                  value={limitIn(form, limit.path)}
                  onChange={(value) => typeof value === "number" && set(withValue(form, limit.path, value))}
                />
              ))}
            </section>
          ))}
          <section>
            <h2>Titles that say nothing</h2>
            <Textarea
              aria-label="Titles that say nothing, one a line"
              autosize
              minRows={4}
              maxRows={12}
              value={(form.generic ?? []).join("\n")}
              onChange={(event) => set({ ...form, generic: event.currentTarget.value.split("\n") })}
            />
          </section>
          <section>
            <h2>Verbs that call to do something</h2>
            <Textarea
              aria-label="Verbs that call to do something, one a line"
              autosize
              minRows={4}
              maxRows={12}
              value={(form.calls ?? []).join("\n")}
              onChange={(event) => set({ ...form, calls: event.currentTarget.value.split("\n") })}
            />
          </section>
        </div>
        <div>
          {fields.map((field) => (
            <section key={field}>
              <h2>{fieldName(field)}: checks</h2>
              {view.checks
                .filter((check) => check.field === field)
                .map((check) => (
                  <Check
                    key={check.id}
                    check={check}
                    on={!off.has(check.id)}
                    onChange={(on) =>
                      set({
                        ...form,
                        off: on ? (form.off ?? []).filter((id) => id !== check.id) : [...(form.off ?? []), check.id],
                      })
                    }
                  />
                ))}
            </section>
          ))}
        </div>
      </div>
    </form>
  );
}

/** The first figures, of few items, come at once; those of many follow. */
const FEW = 2_000;

function usePreview(propertyId: number, setId: number | undefined, form: StandardForm | undefined) {
  const asked = (most: number | undefined) => ({
    queryKey: ofProperty(propertyId, "standard-preview", setId, form, most),
    queryFn: () => answer(askPreview(propertyId, setId, form as StandardForm, most)),
  });
  const first = useQuery({ ...asked(FEW), enabled: form !== undefined });
  const follows = first.data !== undefined && first.data.items < first.data.all;
  const whole = useQuery({ ...asked(undefined), enabled: form !== undefined && follows });
  return {
    difference: whole.data ?? first.data,
    problem: first.error ?? whole.error,
    isLoading: first.isLoading,
    /** Whether figures of more items are on their way. */
    more: whole.isLoading,
  };
}

function askPreview(propertyId: number, setId: number | undefined, body: StandardForm, most: number | undefined) {
  const query = { most };
  return setId === undefined
    ? api.POST("/api/properties/{propertyId}/standard/preview", { params: { path: { propertyId }, query }, body })
    : api.POST("/api/sets/{setId}/standard/preview", { params: { path: { setId }, query }, body });
}

/** No body: back to what holds where nothing is set. */
function applyTo(propertyId: number, setId: number | undefined, body: StandardForm | undefined) {
  if (setId === undefined) {
    const path = { params: { path: { propertyId } } };
    return body === undefined
      ? api.DELETE("/api/properties/{propertyId}/standard", path)
      : api.PUT("/api/properties/{propertyId}/standard", { ...path, body });
  }
  const path = { params: { path: { setId } } };
  return body === undefined
    ? api.DELETE("/api/sets/{setId}/standard", path)
    : api.PUT("/api/sets/{setId}/standard", { ...path, body });
}

function Check({ check, on, onChange }: { check: StandardCheck; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <Checkbox
      size="xs"
      className={css.check}
      label={check.label}
      description={check.limit || undefined}
      checked={on}
      onChange={(event) => onChange(event.currentTarget.checked)}
    />
  );
}

function Difference({ difference, more }: { difference: StandardDifference; more: boolean }) {
  const { items, all, added, removed, checks } = difference;
  return (
    <section className={css.difference} aria-live="polite">
      <p>
        <b>
          {added === 0 && removed === 0
            ? "The same findings as now"
            : `It would add ${of(added, "finding")} and take ${count(removed)} away`}
        </b>
        {items < all && (
          <>
            {" "}
            in {count(items)} of {of(all, "item")}, evenly chosen
            {more && "; more are being looked at"}
          </>
        )}
        .
      </p>
      <ul>
        {checks.map((line) => (
          <li key={`${line.field} ${line.check}`}>
            {line.label}: {count(line.before)} → {count(line.after)}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Takes over the standard of another property. */
function CopyFrom({ propertyId, onStandard }: { propertyId: number; onStandard: (form: StandardForm) => void }) {
  const portfolio = usePortfolio();
  const others = (portfolio.data ?? []).filter(({ property }) => property.id !== propertyId);
  if (others.length === 0) return null;
  const take = (id: number) =>
    answer(api.GET("/api/properties/{propertyId}/standard", { params: { path: { propertyId: id } } })).then(
      (view) => onStandard(view.set),
      tellProblem,
    );
  return (
    <select
      aria-label="Copy from another property"
      className={css.copy}
      value=""
      onChange={(event) => event.currentTarget.value && take(Number(event.currentTarget.value))}
    >
      <option value="">Copy from …</option>
      {others.map(({ property, clientName }) => (
        <option key={property.id} value={property.id}>
          {clientName}, {property.name}
        </option>
      ))}
    </select>
  );
}

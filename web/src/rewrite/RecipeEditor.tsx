import { ActionIcon, Button, Checkbox, NativeSelect, Textarea, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import {
  answer,
  api,
  type Condition,
  type EditSpec,
  type Field,
  type NamedRecipe,
  type Part,
  type Recipe,
  type Selection,
  type Source,
} from "../api/client";
import { ofProperty, useChange, useSets } from "../api/queries";
import { IconArrowDown, IconArrowUp, IconX } from "../parts/icons";
import { tell } from "../parts/tell";
import { FindRecipe } from "./FindRecipe";
import css from "./Rewrite.module.css";
import { CASES, CONDITIONS, ENCLOSES, type LetterCase, SOURCES, type SourceKind, WAYS, wayOf } from "./recipes";
import { useImportedColumns } from "./useImported";

const MOST_PARTS = 8;

interface Props {
  propertyId: number;
  spec: EditSpec;
  listings: boolean;
  selection: Selection;
  onChange: (spec: EditSpec) => void;
}

/** A recipe as its parts, in the order in which they stand. */
export function RecipeEditor({ propertyId, spec, listings, selection, onChange }: Props) {
  const recipe = spec.recipe as Recipe;
  const setParts = (parts: Part[]) => onChange({ ...spec, recipe: { parts } });
  const setPart = (at: number, changes: Partial<Part>) =>
    setParts(recipe.parts.map((part, i) => (i === at ? { ...part, ...changes } : part)));
  const swap = (at: number, other: number) => {
    const parts = [...recipe.parts];
    [parts[at], parts[other]] = [parts[other], parts[at]];
    setParts(parts);
  };
  const add = () =>
    setParts([
      ...recipe.parts,
      {
        sources: [{ kind: "FIXED", text: "" }],
        before: " – ",
        letterCase: "AS_IS",
        rank: recipe.parts.length + 1,
        shortenable: false,
        encloses: "",
        onlyIf: [],
      },
    ]);
  return (
    <div className={css.form}>
      <NativeSelect
        size="xs"
        aria-label="Ready-made recipes"
        value=""
        data={[
          { value: "", label: "start from a ready-made one …" },
          ...WAYS.map((way, i) => ({ value: String(i), label: way.name })),
        ]}
        onChange={(event) => setParts(wayOf(Number(event.currentTarget.value), spec.field ?? "title", listings).parts)}
      />
      <FindRecipe propertyId={propertyId} spec={spec} selection={selection} onFound={setParts} />
      <ol className={css.parts}>
        {recipe.parts.map((part, at) => (
          <li key={at} className={css.part} aria-label={`Part ${at + 1}`}>
            <div className={css.partHead}>
              <b>Part {at + 1}</b>
              {at > 0 && (
                <label className={css.small}>
                  after
                  <input
                    aria-label={`What stands before part ${at + 1}`}
                    value={part.before}
                    onChange={(event) => setPart(at, { before: event.currentTarget.value })}
                  />
                </label>
              )}
              <span className={css.partTools}>
                <ActionIcon
                  size="sm"
                  variant="subtle"
                  aria-label="Up"
                  disabled={at === 0}
                  onClick={() => swap(at, at - 1)}
                >
                  <IconArrowUp size={14} />
                </ActionIcon>
                <ActionIcon
                  size="sm"
                  variant="subtle"
                  aria-label="Down"
                  disabled={at === recipe.parts.length - 1}
                  onClick={() => swap(at, at + 1)}
                >
                  <IconArrowDown size={14} />
                </ActionIcon>
                <ActionIcon
                  size="sm"
                  variant="subtle"
                  aria-label={`Remove part ${at + 1}`}
                  disabled={recipe.parts.length === 1}
                  onClick={() => setParts(recipe.parts.filter((_, i) => i !== at))}
                >
                  <IconX size={14} />
                </ActionIcon>
              </span>
            </div>
            <Sources
              propertyId={propertyId}
              field={spec.field ?? ""}
              part={part}
              at={at}
              listings={listings}
              onChange={(sources) => setPart(at, { sources })}
            />
            <div className={css.partFoot}>
              <NativeSelect
                size="xs"
                aria-label={`Letter case of part ${at + 1}`}
                data={CASES}
                value={part.letterCase}
                onChange={(event) => setPart(at, { letterCase: event.currentTarget.value as LetterCase })}
              />
              <NativeSelect
                size="xs"
                aria-label={`Rank of part ${at + 1}`}
                data={Array.from({ length: MOST_PARTS }, (_, i) => ({
                  value: String(i + 1),
                  label: `importance ${i + 1}`,
                }))}
                value={String(part.rank)}
                onChange={(event) => setPart(at, { rank: Number(event.currentTarget.value) })}
              />
              <Checkbox
                size="xs"
                label="May be shortened"
                checked={part.shortenable}
                onChange={(event) => setPart(at, { shortenable: event.currentTarget.checked })}
              />
            </div>
            <details className={css.partMore} open={part.encloses !== "" || part.onlyIf.length > 0}>
              <summary>Around it, only if</summary>
              <NativeSelect
                size="xs"
                aria-label={`What encloses part ${at + 1}`}
                data={ENCLOSES}
                value={part.encloses}
                onChange={(event) => setPart(at, { encloses: event.currentTarget.value })}
              />
              <Conditions part={part} at={at} onChange={(onlyIf) => setPart(at, { onlyIf })} />
            </details>
          </li>
        ))}
      </ol>
      <Button size="compact-xs" variant="default" disabled={recipe.parts.length >= MOST_PARTS} onClick={add}>
        Add a part
      </Button>
      <SavedRecipes
        propertyId={propertyId}
        field={spec.field ?? "title"}
        recipe={recipe}
        onChoose={(r) => setParts(r.parts)}
      />
    </div>
  );
}

function Sources({
  propertyId,
  field,
  part,
  at,
  listings,
  onChange,
}: {
  propertyId: number;
  field: string;
  part: Part;
  at: number;
  listings: boolean;
  onChange: (sources: Part["sources"]) => void;
}) {
  const columns = useImportedColumns(propertyId);
  const fitting = SOURCES.filter(({ only }) => {
    if (only === "imported") return columns.length > 0;
    if (only === "parts") return field === "images" || field === "links";
    if (only === "links") return field === "links";
    return only !== (listings ? "pages" : "listings");
  });
  return (
    <div className={css.sources}>
      {part.sources.map((source, i) => (
        <span key={i} className={css.source}>
          {i > 0 && <i>fall back on</i>}
          <NativeSelect
            size="xs"
            aria-label={`Source ${i + 1} of part ${at + 1}`}
            data={[...fitting.map(({ value, label }) => ({ value, label })), { value: "", label: "nothing" }]}
            value={source.kind}
            onChange={(event) => {
              const kind = event.currentTarget.value as SourceKind | "";
              const others = part.sources.filter((_, k) => k !== i);
              if (kind !== "")
                onChange(part.sources.map((s, k) => (k === i ? { kind, text: kind === "COLUMN" ? "" : s.text } : s)));
              else if (others.length > 0) onChange(others);
            }}
          />
          <SourceText
            source={source}
            at={at}
            columns={columns}
            onChange={(text) => onChange(part.sources.map((s, k) => (k === i ? { ...s, text } : s)))}
          />
        </span>
      ))}
      {part.sources.length < 4 && (
        <Button
          size="compact-xs"
          variant="subtle"
          onClick={() => onChange([...part.sources, { kind: listings ? "TITLE" : "H1", text: "" }])}
        >
          Fall back on …
        </Button>
      )}
    </div>
  );
}

/** What has to be said of a source besides its kind: the fixed text, the number of a keyword, the name of a column or recipe. */
function SourceText({
  source,
  at,
  columns,
  onChange,
}: {
  source: Source;
  at: number;
  columns: string[];
  onChange: (text: string) => void;
}) {
  const entry = SOURCES.find((each) => each.value === source.kind);
  if (!entry?.asks) return null;
  if (source.kind === "COLUMN") {
    return (
      <NativeSelect
        size="xs"
        aria-label={`Column of part ${at + 1}`}
        data={[{ value: "", label: "which column …", disabled: true }, ...columns]}
        value={source.text}
        onChange={(event) => onChange(event.currentTarget.value)}
      />
    );
  }
  const label = source.kind === "FIXED" ? `Fixed text of part ${at + 1}` : `${entry.asks} (part ${at + 1})`;
  return (
    <Textarea
      size="xs"
      autosize
      minRows={1}
      maxRows={6}
      aria-label={label}
      placeholder={entry.asks}
      value={source.text}
      onChange={(event) => onChange(event.currentTarget.value)}
    />
  );
}

/** What all has to hold of an item for a part to be used. */
function Conditions({ part, at, onChange }: { part: Part; at: number; onChange: (onlyIf: Condition[]) => void }) {
  const set = (i: number, changes: Partial<Condition>) =>
    onChange(part.onlyIf.map((each, k) => (k === i ? { ...each, ...changes } : each)));
  return (
    <>
      {part.onlyIf.map((condition, i) => {
        const asks = CONDITIONS.find((each) => each.value === condition.what)?.asks;
        return (
          <span key={i} className={css.source}>
            <NativeSelect
              size="xs"
              aria-label={`Condition ${i + 1} of part ${at + 1}: holds`}
              data={[
                { value: "", label: "only if" },
                { value: "not", label: "only if not" },
              ]}
              value={condition.not ? "not" : ""}
              onChange={(event) => set(i, { not: event.currentTarget.value === "not" })}
            />
            <NativeSelect
              size="xs"
              aria-label={`Condition ${i + 1} of part ${at + 1}`}
              data={CONDITIONS.map(({ value, label }) => ({ value, label }))}
              value={condition.what}
              onChange={(event) => set(i, { what: event.currentTarget.value as Condition["what"], value: "" })}
            />
            {asks && (
              <TextInput
                size="xs"
                aria-label={`Value of condition ${i + 1} of part ${at + 1}`}
                placeholder={asks}
                value={condition.value}
                onChange={(event) => set(i, { value: event.currentTarget.value })}
              />
            )}
            <ActionIcon
              size="sm"
              variant="subtle"
              aria-label={`Remove condition ${i + 1} of part ${at + 1}`}
              onClick={() => onChange(part.onlyIf.filter((_, k) => k !== i))}
            >
              <IconX size={14} />
            </ActionIcon>
          </span>
        );
      })}
      <Button
        size="compact-xs"
        variant="subtle"
        onClick={() => onChange([...part.onlyIf, { what: "HAS_KEYWORD", value: "", not: false }])}
      >
        Only if …
      </Button>
    </>
  );
}

function SavedRecipes({
  propertyId,
  field,
  recipe,
  onChoose,
}: {
  propertyId: number;
  field: Field;
  recipe: Recipe;
  onChoose: (recipe: Recipe) => void;
}) {
  const [name, setName] = useState("");
  const [force, setForce] = useState("");
  const sets = useSets(propertyId);
  const saved = useQuery({
    queryKey: ofProperty(propertyId, "recipes"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/recipes", { params: { path: { propertyId } } })),
  });
  const save = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/recipes", {
        params: { path: { propertyId } },
        body: {
          id: 0,
          field,
          name,
          recipe,
          inForce: force !== "",
          setId: Number(force) || null,
        },
      }),
    ),
  );
  const fitting = (saved.data ?? []).filter((each: NamedRecipe) => each.field === field);
  return (
    <div className={css.saved}>
      {fitting.length > 0 && (
        <NativeSelect
          size="xs"
          aria-label="Saved recipes"
          value=""
          data={[
            { value: "", label: "take a saved recipe …" },
            ...fitting.map((r) => ({ value: String(r.id), label: r.name + forceOf(r, sets.data ?? []) })),
          ]}
          onChange={(event) => {
            const found = fitting.find((r) => String(r.id) === event.currentTarget.value);
            if (!found) return;
            onChoose(found.recipe);
            setName(found.name);
            setForce(found.inForce ? String(found.setId ?? 0) : "");
          }}
        />
      )}
      <TextInput
        size="xs"
        aria-label="Name to save the recipe under"
        placeholder="name, to save it"
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <NativeSelect
        size="xs"
        aria-label="In force for"
        value={force}
        data={[
          { value: "", label: "not in force" },
          { value: "0", label: "in force for all" },
          ...(sets.data ?? []).map((set) => ({ value: String(set.id), label: `in force for ${set.name}` })),
        ]}
        onChange={(event) => setForce(event.currentTarget.value)}
      />
      <Button
        size="xs"
        variant="default"
        disabled={name.trim() === ""}
        loading={save.isPending}
        onClick={() => save.mutate(undefined, { onSuccess: () => tell(`Recipe “${name}” saved.`) })}
      >
        Save
      </Button>
    </div>
  );
}

/** " (for all)" where it is in force. */
function forceOf(recipe: NamedRecipe, sets: { id: number; name: string }[]) {
  if (!recipe.inForce) return "";
  const set = sets.find((each) => each.id === recipe.setId);
  return recipe.setId === null ? " (in force)" : ` (in force for ${set?.name ?? "a set"})`;
}

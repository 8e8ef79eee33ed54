import { ActionIcon, Button, Checkbox, NativeSelect, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type EditSpec, type Field, type NamedRecipe, type Part, type Recipe } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { IconArrowDown, IconArrowUp, IconX } from "../parts/icons";
import { tell } from "../parts/tell";
import css from "./Rewrite.module.css";
import { CASES, type LetterCase, SOURCES, type SourceKind } from "./recipes";

const MOST_PARTS = 8;

interface Props {
  propertyId: number;
  spec: EditSpec;
  listings: boolean;
  onChange: (spec: EditSpec) => void;
}

/** A recipe as its parts, in the order in which they stand. */
export function RecipeEditor({ propertyId, spec, listings, onChange }: Props) {
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
      },
    ]);
  return (
    <div className={css.form}>
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
            <Sources part={part} at={at} listings={listings} onChange={(sources) => setPart(at, { sources })} />
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
  part,
  at,
  listings,
  onChange,
}: {
  part: Part;
  at: number;
  listings: boolean;
  onChange: (sources: Part["sources"]) => void;
}) {
  const fitting = SOURCES.filter((source) =>
    listings ? !["H1", "SLUG"].includes(source.value) : source.value !== "PRICE",
  );
  return (
    <div className={css.sources}>
      {part.sources.map((source, i) => (
        <span key={i} className={css.source}>
          {i > 0 && <i>fall back on</i>}
          <NativeSelect
            size="xs"
            aria-label={`Source ${i + 1} of part ${at + 1}`}
            data={[...fitting, { value: "", label: "nothing" }]}
            value={source.kind}
            onChange={(event) => {
              const kind = event.currentTarget.value as SourceKind | "";
              const others = part.sources.filter((_, k) => k !== i);
              if (kind !== "") onChange(part.sources.map((s, k) => (k === i ? { kind, text: s.text } : s)));
              else if (others.length > 0) onChange(others);
            }}
          />
          {source.kind === "FIXED" && (
            <TextInput
              size="xs"
              aria-label={`Fixed text of part ${at + 1}`}
              placeholder="text"
              value={source.text}
              onChange={(event) =>
                onChange(part.sources.map((s, k) => (k === i ? { ...s, text: event.currentTarget.value } : s)))
              }
            />
          )}
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
  const saved = useQuery({
    queryKey: ofProperty(propertyId, "recipes"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/recipes", { params: { path: { propertyId } } })),
  });
  const save = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/recipes", {
        params: { path: { propertyId } },
        body: { id: 0, field, name, recipe },
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
            ...fitting.map((r) => ({ value: String(r.id), label: r.name })),
          ]}
          onChange={(event) => {
            const found = fitting.find((r) => String(r.id) === event.currentTarget.value);
            if (found) onChoose(found.recipe);
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

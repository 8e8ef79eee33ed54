import { Button, Checkbox, NativeSelect, NumberInput, Textarea, TextInput } from "@mantine/core";
import { useState } from "react";
import { answer, api, type Field, type WriterColumn } from "../../api/client";
import { useChange } from "../../api/queries";
import { type ColumnDraft, INPUTS } from "./startingColumns";
import css from "./Writer.module.css";

interface Props {
  propertyId: number;
  column: ColumnDraft;
  others: WriterColumn[];
  listings: boolean;
  onDone: () => void;
}

/** What a column asks, of what, and in how many characters. */
export function ColumnForm({ propertyId, column, others, listings, onDone }: Props) {
  const [form, setForm] = useState(column);
  const set = (changes: Partial<ColumnDraft>) => setForm((before) => ({ ...before, ...changes }));
  const path = { params: { path: { propertyId } } };
  const save = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/writer/columns", { ...path, body: form })),
  );
  const remove = useChange(propertyId, () =>
    answer(
      api.DELETE("/api/properties/{propertyId}/writer/columns/{id}", {
        params: { path: { propertyId, id: form.id } },
      }),
    ),
  );
  const toggle = <T,>(list: T[], value: T) =>
    list.includes(value) ? list.filter((each) => each !== value) : [...list, value];
  return (
    <form
      className={css.form}
      aria-label="Column of the writer"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutateAsync(undefined).then(onDone, () => undefined);
      }}
    >
      <div className={css.two}>
        <TextInput label="Name" value={form.name} onChange={(event) => set({ name: event.currentTarget.value })} />
        <NativeSelect
          label="Makes"
          value={form.makes ?? ""}
          data={[
            { value: "", label: "a note" },
            { value: "title", label: "titles" },
            { value: "description", label: "descriptions" },
            ...(listings
              ? [{ value: "tags", label: "tags" }]
              : [
                  { value: "h1", label: "H1s" },
                  { value: "images", label: "missing alt texts" },
                ]),
          ]}
          onChange={(event) => set({ makes: (event.currentTarget.value || null) as Field | null })}
        />
      </div>
      <Textarea
        label="Instruction"
        description="In your own words. Limits, language and the rule to make nothing up are added."
        autosize
        minRows={4}
        maxRows={14}
        value={form.words}
        onChange={(event) => set({ words: event.currentTarget.value })}
      />
      <fieldset className={css.inputs}>
        <legend>Sent along, of each item</legend>
        {INPUTS.map(({ value, label }) => (
          <Checkbox
            key={value}
            size="xs"
            label={label}
            checked={form.inputs.includes(value)}
            onChange={() => set({ inputs: toggle(form.inputs, value) })}
          />
        ))}
      </fieldset>
      {others.length > 0 && (
        <fieldset className={css.inputs}>
          <legend>Answers of other columns, asked first</legend>
          {others.map(({ id, name }) => (
            <Checkbox
              key={id}
              size="xs"
              label={name}
              checked={form.after.includes(name)}
              onChange={() => set({ after: toggle(form.after, name) })}
            />
          ))}
        </fieldset>
      )}
      <NumberInput
        label="Characters, at most"
        description={form.makes ? "0 for what the standard allows" : "0 for up to 1,000"}
        min={0}
        max={100_000}
        value={form.maxChars}
        onChange={(value) => typeof value === "number" && set({ maxChars: value })}
      />
      <div className={css.buttons}>
        <Button type="submit" loading={save.isPending} disabled={!form.name.trim() || !form.words.trim()}>
          Save column
        </Button>
        <Button variant="subtle" onClick={onDone}>
          Cancel
        </Button>
        {form.id > 0 && (
          <Button
            variant="subtle"
            className={css.last}
            loading={remove.isPending}
            onClick={() => remove.mutateAsync(undefined).then(onDone, () => undefined)}
          >
            Delete with its answers
          </Button>
        )}
      </div>
    </form>
  );
}

import { Button, NativeSelect, Textarea, TextInput } from "@mantine/core";
import { useRef, useState } from "react";
import { answer, api, type TextBlock } from "../../api/client";
import { useChange } from "../../api/queries";
import css from "./Blocks.module.css";

interface Props {
  propertyId: number;
  block: TextBlock;
  /** The names of what can be filled in. */
  values: string[];
  onDone: () => void;
}

const KINDS: { value: TextBlock["kind"]; label: string }[] = [
  { value: "OPENING", label: "opening" },
  { value: "ABOUT", label: "about us" },
  { value: "LINKS", label: "links" },
  { value: "STORY", label: "story" },
  { value: "DISCLOSURE", label: "disclosure" },
];

/** One block while it is written. */
export function BlockEditor({ propertyId, block, values, onDone }: Props) {
  const [draft, setDraft] = useState(block);
  const box = useRef<HTMLTextAreaElement>(null);
  const path = { params: { path: { propertyId } } };
  const set = (changes: Partial<TextBlock>) => setDraft({ ...draft, ...changes });
  const save = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/blocks", { ...path, body: draft })),
  );
  const remove = useChange(propertyId, () =>
    answer(api.DELETE("/api/properties/{propertyId}/blocks/{id}", { params: { path: { propertyId, id: block.id } } })),
  );
  const insert = (name: string) => {
    const at = box.current?.selectionEnd ?? draft.text.length;
    set({ text: `${draft.text.slice(0, at)}{${name}}${draft.text.slice(at)}` });
    box.current?.focus();
  };
  return (
    <form
      className={css.form}
      aria-label={block.name || "New block"}
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(undefined, { onSuccess: onDone });
      }}
    >
      <TextInput
        label="Name"
        data-autofocus
        value={draft.name}
        maxLength={200}
        onChange={(event) => set({ name: event.currentTarget.value })}
      />
      <div className={css.row}>
        <NativeSelect
          label="Kind"
          data={KINDS}
          value={draft.kind}
          onChange={(event) => set({ kind: event.currentTarget.value as TextBlock["kind"] })}
        />
        <TextInput
          label="Language"
          placeholder="all"
          value={draft.language}
          maxLength={20}
          onChange={(event) => set({ language: event.currentTarget.value.trim() })}
        />
      </div>
      <Textarea
        ref={box}
        label="Text"
        description="A line of which a value is missing is left out."
        autosize
        minRows={5}
        maxRows={14}
        value={draft.text}
        onChange={(event) => set({ text: event.currentTarget.value })}
      />
      <div className={css.values}>
        {values.map((name) => (
          <button key={name} type="button" onClick={() => insert(name)}>
            {`{${name}}`}
          </button>
        ))}
      </div>
      <div className={css.row}>
        <Button
          type="submit"
          size="xs"
          disabled={draft.name.trim() === "" || draft.text.trim() === ""}
          loading={save.isPending}
        >
          Save the block
        </Button>
        <Button size="xs" variant="subtle" onClick={onDone}>
          Back
        </Button>
        {block.id !== 0 && (
          <Button
            size="xs"
            variant="subtle"
            loading={remove.isPending}
            onClick={() => remove.mutate(undefined, { onSuccess: onDone })}
          >
            Remove
          </Button>
        )}
      </div>
    </form>
  );
}

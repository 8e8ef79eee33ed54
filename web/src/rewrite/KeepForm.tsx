import { Button, Checkbox, Textarea } from "@mantine/core";
import { useState } from "react";
import { answer, api, type Field, type Selection } from "../api/client";
import { useChange } from "../api/queries";
import { of } from "../parts/number";
import { tell } from "../parts/tell";
import css from "./Rewrite.module.css";

interface Props {
  propertyId: number;
  selection: Selection;
  listings: boolean;
  onDone: () => void;
}

/** Keeps texts as they are although a rule says otherwise, with the reason. */
export function KeepForm({ propertyId, selection, listings, onDone }: Props) {
  const [fields, setFields] = useState<Field[]>(["title"]);
  const [reason, setReason] = useState("");
  const keep = useChange(propertyId, (why: string | undefined) =>
    answer(
      api.POST("/api/properties/{propertyId}/keeps", {
        params: { path: { propertyId } },
        body: { selection, fields, reason: why },
      }),
    ),
  );
  const done = (what: string) => ({
    onSuccess: (kept: { fields: number }) => {
      tell(`${of(kept.fields, "text")} ${what}.`);
      onDone();
    },
  });
  return (
    <form
      className={css.form}
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(reason, done("kept as they are"));
      }}
    >
      <p>A text that is kept is not changed by any edit, and its findings are not counted.</p>
      <Checkbox.Group label="What stays as it is" value={fields} onChange={(chosen) => setFields(chosen as Field[])}>
        <div className={css.checks}>
          <Checkbox size="xs" value="title" label="titles" />
          <Checkbox size="xs" value="description" label="descriptions" />
          {listings && <Checkbox size="xs" value="tags" label="tags" />}
        </div>
      </Checkbox.Group>
      <Textarea label="Why" value={reason} onChange={(event) => setReason(event.currentTarget.value)} />
      <div className={css.checks}>
        <Button type="submit" disabled={reason.trim() === "" || fields.length === 0} loading={keep.isPending}>
          Keep them
        </Button>
        <Button
          variant="subtle"
          disabled={fields.length === 0}
          onClick={() => keep.mutate(undefined, done("no longer kept"))}
        >
          Stop keeping them
        </Button>
      </div>
    </form>
  );
}

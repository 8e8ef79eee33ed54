import { Button, TextInput } from "@mantine/core";
import { useState } from "react";
import { answer, api, type Field, type Selection } from "../api/client";
import { useChange } from "../api/queries";
import css from "./CloseUp.module.css";
import { of } from "./number";
import { tellWithUndo } from "./tell";

interface Props {
  propertyId: number;
  selection: Selection;
  field: string;
  check: string;
  onDone: () => void;
}

/** Lets a finding stand, with the reason, and until a day if that is wanted. */
export function ExemptForm({ propertyId, selection, field, check, onDone }: Props) {
  const [reason, setReason] = useState("");
  const [until, setUntil] = useState("");
  const path = { params: { path: { propertyId } } };
  const about = { selection, field: field as Field, check };
  // By the moment: what is let stand is found by no filter any more.
  const undo = useChange(propertyId, (at: string) =>
    answer(
      api.POST("/api/properties/{propertyId}/exemptions/end", { ...path, body: { at, field: about.field, check } }),
    ),
  );
  const exempt = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/exemptions", {
        ...path,
        body: { ...about, reason, until: until || undefined },
      }),
    ),
  );
  return (
    <form
      className={css.reason}
      onSubmit={(event) => {
        event.preventDefault();
        exempt.mutate(undefined, {
          onSuccess: (done) => {
            const { at } = done;
            tellWithUndo(`${of(done.items ?? 0, "finding")} let stand.`, () => at && undo.mutate(at));
            onDone();
          },
        });
      }}
    >
      <TextInput
        size="xs"
        data-autofocus
        label="Why it stands"
        value={reason}
        onChange={(event) => setReason(event.currentTarget.value)}
      />
      <TextInput
        size="xs"
        type="date"
        label="Look again on"
        description="The finding comes back on that day; leave it empty for never."
        value={until}
        onChange={(event) => setUntil(event.currentTarget.value)}
      />
      <div className={css.buttons}>
        <Button size="xs" type="submit" disabled={reason.trim() === ""} loading={exempt.isPending}>
          Let it stand
        </Button>
        <Button size="xs" variant="subtle" onClick={onDone}>
          Cancel
        </Button>
      </div>
    </form>
  );
}

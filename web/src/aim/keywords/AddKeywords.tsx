import { Button, Textarea } from "@mantine/core";
import { useState } from "react";
import { type Added, answer, api, upload } from "../../api/client";
import { useChange } from "../../api/queries";
import { ChooseFile } from "../../parts/ChooseFile";
import { of } from "../../parts/number";
import stage from "../../parts/stage.module.css";
import css from "../Aim.module.css";

/** Takes keywords in, pasted or from a file. */
export function AddKeywords({ propertyId }: { propertyId: number }) {
  const [text, setText] = useState("");
  const paste = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/keywords", { params: { path: { propertyId } }, body: { text } })),
  );
  const file = useChange(propertyId, (chosen: File) =>
    upload<Added>(`/api/properties/${propertyId}/keywords/file`, chosen),
  );
  const added = file.data ?? paste.data;
  return (
    <form
      className={css.form}
      onSubmit={(event) => {
        event.preventDefault();
        file.reset();
        paste.mutate(undefined, { onSuccess: () => setText("") });
      }}
    >
      <Textarea
        label="One a line, or rows of phrase, volume and competition"
        placeholder={"kayak hire gull cove\t1,300\nsea cave tour"}
        minRows={6}
        autosize
        maxRows={14}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
      />
      <div className={css.buttons}>
        <Button type="submit" loading={paste.isPending} disabled={text.trim() === ""}>
          Add
        </Button>
        <ChooseFile
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          label="From a file"
          loading={file.isPending}
          onFile={file.mutate}
        />
      </div>
      {added && (
        <div role="status" className={stage.soft}>
          {of(added.added, "keyword")} added, {added.known} known already
          {added.aimed === null
            ? ". Which of them fits which item is being worked out; the table fills by itself."
            : `; ${of(added.aimed, "item")} aimed.`}
          {[...added.unreadable.slice(0, 5), ...added.notes.slice(0, 5)].map((fault) => (
            <p key={fault.line}>
              Line {fault.line}: {fault.reason}
            </p>
          ))}
          {added.unreadable.length > 5 && <p>and {added.unreadable.length - 5} more lines that could not be used.</p>}
        </div>
      )}
    </form>
  );
}

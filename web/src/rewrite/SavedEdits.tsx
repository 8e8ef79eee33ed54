import { Button, NativeSelect, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type EditSpec, type SavedEdit } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { of } from "../parts/number";
import { tell, tellProblem } from "../parts/tell";
import css from "./Rewrite.module.css";

interface Props {
  propertyId: number;
  spec: EditSpec;
  /** The edit that was opened, if any. */
  opened: SavedEdit | undefined;
  onOpen: (edit: SavedEdit | undefined) => void;
  /** Leaves only items that came since the opened edit was run. */
  onNew: (ids: number[]) => void;
}

/** Edits of this tool under their names: saved, opened, and run again on what is new. */
export function SavedEdits({ propertyId, spec, opened, onOpen, onNew }: Props) {
  const [name, setName] = useState("");
  const path = { params: { path: { propertyId } } };
  const edits = useQuery({
    queryKey: ofProperty(propertyId, "edits"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/edits", path)),
  });
  const save = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/edits", { ...path, body: { name: name.trim(), spec } })),
  );
  const remove = useChange(propertyId, (id: number) =>
    answer(api.DELETE("/api/properties/{propertyId}/edits/{id}", { params: { path: { propertyId, id } } })),
  );
  const own = edits.data?.filter((edit) => edit.spec.tool === spec.tool && edit.spec.field === spec.field) ?? [];
  const known = own.find((edit) => edit.id === opened?.id);
  return (
    <section className={css.savedEdits} aria-label="Saved edits">
      {own.length > 0 && (
        <div className={css.buttons}>
          <NativeSelect
            size="xs"
            aria-label="Saved edits"
            value={known ? String(known.id) : ""}
            data={[
              { value: "", label: "Open a saved edit …" },
              ...own.map((edit) => ({ value: String(edit.id), label: edit.name })),
            ]}
            onChange={(event) => onOpen(own.find((edit) => String(edit.id) === event.currentTarget.value))}
          />
          {known?.ran && known.newItems > 0 && (
            <Button
              size="xs"
              variant="default"
              onClick={() =>
                answer(
                  api.GET("/api/properties/{propertyId}/edits/{id}/new", {
                    params: { path: { propertyId, id: known.id } },
                  }),
                ).then(onNew, tellProblem)
              }
            >
              Only {of(known.newItems, "new item")}
            </Button>
          )}
          {known && (
            <Button
              size="xs"
              variant="subtle"
              onClick={() => remove.mutateAsync(known.id).then(() => onOpen(undefined))}
            >
              Delete
            </Button>
          )}
        </div>
      )}
      {known?.ran && known.newItems === 0 && <p>No item is new since it was run last.</p>}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          save.mutateAsync(undefined).then(
            () => {
              tell(`Saved as “${name.trim()}”.`);
              setName("");
            },
            () => undefined,
          );
        }}
      >
        <TextInput
          size="xs"
          aria-label="Save this edit as"
          placeholder="Save this edit as …"
          value={name}
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <Button size="xs" type="submit" variant="default" disabled={!name.trim()} loading={save.isPending}>
          Save
        </Button>
      </form>
    </section>
  );
}

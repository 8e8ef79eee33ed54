import { Button, Modal, Textarea, TextInput } from "@mantine/core";
import { useState } from "react";
import { answer, api, type Client } from "../api/client";
import css from "./Portfolio.module.css";
import { useClientChange } from "./useClientChange";

export function ClientForm({ client, onClose }: { client?: Client; onClose: () => void }) {
  const [form, setForm] = useState({
    name: client?.name ?? "",
    brand: client?.brand ?? "",
    places: client?.places ?? "",
  });
  const save = useClientChange(
    () =>
      client
        ? answer(api.PUT("/api/clients/{id}", { params: { path: { id: client.id } }, body: form }))
        : answer(api.POST("/api/clients", { body: form })),
    onClose,
  );
  const remove = useClientChange(
    () => answer(api.DELETE("/api/clients/{id}", { params: { path: { id: client?.id ?? 0 } } })),
    onClose,
  );
  return (
    <Modal opened onClose={onClose} title={client ? "Change the client" : "Add a client"}>
      <form
        className={css.form}
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate(undefined);
        }}
      >
        <TextInput
          label="Name"
          data-autofocus
          value={form.name}
          onChange={(event) => setForm({ ...form, name: event.currentTarget.value })}
        />
        <TextInput
          label="Brand words and spellings"
          description="Separated by commas; they keep their letter case, and a title of nothing else is found."
          value={form.brand}
          onChange={(event) => setForm({ ...form, brand: event.currentTarget.value })}
        />
        <Textarea
          label="Places it serves"
          description="Separated by commas."
          autosize
          value={form.places}
          onChange={(event) => setForm({ ...form, places: event.currentTarget.value })}
        />
        <div className={css.buttons}>
          <Button type="submit" loading={save.isPending} disabled={form.name.trim() === ""}>
            {client ? "Save" : "Add"}
          </Button>
          {client && (
            <Button variant="subtle" onClick={() => remove.mutate(undefined)}>
              Remove (can be brought back)
            </Button>
          )}
        </div>
      </form>
    </Modal>
  );
}

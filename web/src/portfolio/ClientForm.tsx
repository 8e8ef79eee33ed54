import { Textarea, TextInput } from "@mantine/core";
import { useState } from "react";
import { answer, api, type Client } from "../api/client";
import { RecordForm } from "./RecordForm";

export function ClientForm({ client, onClose }: { client?: Client; onClose: () => void }) {
  const [form, setForm] = useState({
    name: client?.name ?? "",
    brand: client?.brand ?? "",
    places: client?.places ?? "",
  });
  return (
    <RecordForm
      thing="client"
      known={client !== undefined}
      complete={form.name.trim() !== ""}
      onSave={() =>
        client
          ? answer(api.PUT("/api/clients/{id}", { params: { path: { id: client.id } }, body: form }))
          : answer(api.POST("/api/clients", { body: form }))
      }
      onRemove={() => answer(api.DELETE("/api/clients/{id}", { params: { path: { id: client?.id ?? 0 } } }))}
      onClose={onClose}
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
    </RecordForm>
  );
}

import { Checkbox, NativeSelect, TextInput } from "@mantine/core";
import { useState } from "react";
import { answer, api, type Property } from "../api/client";
import { RecordForm } from "./RecordForm";

const LANGUAGES = [
  ["en", "English"],
  ["de", "German"],
  ["fr", "French"],
  ["es", "Spanish"],
  ["it", "Italian"],
  ["pt", "Portuguese"],
  ["xx", "another language"],
].map(([value, label]) => ({ value, label }));

interface Props {
  clientId: number;
  property?: Property;
  onClose: () => void;
}

const KINDS: { value: Property["kind"]; label: string }[] = [
  { value: "website", label: "a website" },
  { value: "listings", label: "the listings of a shop" },
  { value: "videos", label: "a video channel" },
];

export function PropertyForm({ clientId, property, onClose }: Props) {
  const [form, setForm] = useState({
    clientId,
    kind: property?.kind ?? KINDS[0].value,
    name: property?.name ?? "",
    address: property?.address ?? "",
    language: property?.language ?? "en",
    privateAllowed: property?.privateAllowed ?? false,
  });
  const website = form.kind === "website";
  return (
    <RecordForm
      thing="property"
      known={property !== undefined}
      complete={form.name.trim() !== "" && (!website || form.address.trim() !== "")}
      onSave={() =>
        property
          ? answer(api.PUT("/api/properties/{id}", { params: { path: { id: property.id } }, body: form }))
          : answer(api.POST("/api/properties", { body: form }))
      }
      onRemove={() => answer(api.DELETE("/api/properties/{id}", { params: { path: { id: property?.id ?? 0 } } }))}
      onClose={onClose}
    >
      <NativeSelect
        label="Kind"
        disabled={property !== undefined}
        value={form.kind}
        onChange={(event) => {
          const kind = KINDS.find(({ value }) => value === event.currentTarget.value)?.value;
          if (kind) setForm({ ...form, kind });
        }}
        data={KINDS}
      />
      <TextInput
        label="Name"
        data-autofocus
        value={form.name}
        onChange={(event) => setForm({ ...form, name: event.currentTarget.value })}
      />
      {website && (
        <TextInput
          label="Address"
          placeholder="https://example.com/"
          value={form.address}
          onChange={(event) => setForm({ ...form, address: event.currentTarget.value })}
        />
      )}
      <NativeSelect
        label="Language"
        value={form.language}
        onChange={(event) => setForm({ ...form, language: event.currentTarget.value })}
        data={LANGUAGES}
      />
      {website && (
        <Checkbox
          size="xs"
          label="Allow private addresses (a site on this machine or in the office)"
          checked={form.privateAllowed}
          onChange={(event) => setForm({ ...form, privateAllowed: event.currentTarget.checked })}
        />
      )}
    </RecordForm>
  );
}

import { Button, Checkbox, Modal, NativeSelect, NumberInput, PasswordInput, Textarea, TextInput } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import {
  answer,
  api,
  type ContentSettings,
  type JsonTemplate,
  type Property,
  type TriedContent,
} from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { fieldLabel } from "../../parts/fields";
import { pathOf } from "../../parts/number";
import { tell } from "../../parts/tell";
import css from "./Push.module.css";

const TEMPLATE: JsonTemplate = {
  read: "",
  write: "",
  method: "PUT",
  headers: { Authorization: "Bearer {secret}" },
  fields: { title: "title", description: "description" },
  id: "",
  version: "",
};

const NEW: Omit<ContentSettings, "secret"> = {
  kind: "API",
  address: "",
  user: "",
  hasSecret: false,
  privateAllowed: false,
  parallel: 4,
  pauseMs: 0,
  template: null,
};

const KINDS = [
  { value: "API", label: "A system that speaks the content API" },
  { value: "JSON", label: "Any system that reads and writes JSON" },
  { value: "FOLDER", label: "A folder of HTML files on this machine" },
];

interface Props {
  property: Property;
  settings: ContentSettings | null;
  onClose: () => void;
}

/** How the content system of a property is reached; saved and tried on one item, without a change there. */
export function ContentSystemForm({ property, settings, onClose }: Props) {
  const [form, setForm] = useState({ ...(settings ?? NEW), secret: undefined as string | undefined });
  const [tried, setTried] = useState<TriedContent>();
  const set = (changes: Partial<typeof form>) => setForm((before) => ({ ...before, ...changes }));
  const path = { params: { path: { propertyId: property.id } } };
  const some = useQuery({
    queryKey: ofProperty(property.id, "some-item"),
    queryFn: () =>
      answer(
        api.GET("/api/properties/{propertyId}/items/ids", {
          params: { path: { propertyId: property.id }, query: { count: 1 } },
        }),
      ),
  });
  const save = useChange(property.id, () =>
    answer(api.PUT("/api/properties/{propertyId}/content-system", { ...path, body: form })),
  );
  const attempt = useMutation({
    mutationFn: (itemId: number) =>
      answer(
        api.POST("/api/properties/{propertyId}/content-system/try", {
          params: { path: { propertyId: property.id }, query: { itemId } },
        }),
      ),
    onSuccess: setTried,
  });
  const forget = useChange(property.id, () => answer(api.DELETE("/api/properties/{propertyId}/content-system", path)));
  const first = some.data?.[0];
  const kinds = property.kind === "website" ? KINDS : KINDS.slice(0, 2);
  const overHttp = form.kind !== "FOLDER";
  return (
    <Modal opened onClose={onClose} size="min(720px, 96vw)" title="Content system">
      <form
        className={css.form}
        aria-label="Content system"
        onSubmit={(event) => {
          event.preventDefault();
          setTried(undefined);
          save.mutate(undefined, {
            onSuccess: (saved) => {
              tell("Saved.");
              // A secret does not follow to another host.
              set({ secret: undefined, hasSecret: saved.settings?.hasSecret ?? false });
              if (first !== undefined) attempt.mutate(first);
            },
          });
        }}
      >
        <NativeSelect
          label="Reached as"
          data={kinds}
          value={form.kind}
          onChange={(event) => {
            const kind = event.currentTarget.value as ContentSettings["kind"];
            setTried(undefined);
            set({ kind, template: kind === "JSON" ? (form.template ?? TEMPLATE) : null });
          }}
        />
        {form.kind !== "JSON" && (
          <TextInput
            label={form.kind === "FOLDER" ? "Folder" : "Address"}
            placeholder={form.kind === "FOLDER" ? "/home/me/site" : "https://www.example.com/content"}
            description={
              form.kind === "FOLDER"
                ? "Titles, descriptions, H1s, robots and Open Graph are rewritten in place; every other byte stays."
                : undefined
            }
            value={form.address}
            onChange={(event) => set({ address: event.currentTarget.value })}
          />
        )}
        {form.kind === "JSON" && form.template && (
          <TemplateFields template={form.template} onChange={(template) => set({ template })} />
        )}
        {overHttp && (
          <div className={css.two}>
            {form.kind === "API" && (
              <TextInput
                label="User"
                autoComplete="off"
                value={form.user}
                onChange={(event) => set({ user: event.currentTarget.value })}
              />
            )}
            <PasswordInput
              label={form.kind === "API" ? "Password" : "Secret"}
              description={form.hasSecret ? "One is kept, sealed; leave this empty to keep it." : undefined}
              autoComplete="new-password"
              value={form.secret ?? ""}
              onChange={(event) => set({ secret: event.currentTarget.value || undefined })}
            />
          </div>
        )}
        <div className={css.two}>
          <NumberInput
            label="Parallel requests"
            min={1}
            max={16}
            value={form.parallel}
            onChange={(value) => typeof value === "number" && set({ parallel: value })}
          />
          {overHttp && (
            <NumberInput
              label="Pause between requests"
              suffix=" ms"
              min={0}
              max={60_000}
              value={form.pauseMs}
              onChange={(value) => typeof value === "number" && set({ pauseMs: value })}
            />
          )}
        </div>
        {overHttp && (
          <Checkbox
            label="Allow private addresses"
            checked={form.privateAllowed}
            onChange={(event) => set({ privateAllowed: event.currentTarget.checked })}
          />
        )}
        {tried && <Tried tried={tried} />}
        <div className={css.buttons}>
          <Button type="submit" loading={save.isPending || attempt.isPending}>
            Save and try on one item
          </Button>
          <Button variant="subtle" onClick={onClose}>
            Close
          </Button>
          {settings && (
            <Button
              variant="subtle"
              ml="auto"
              loading={forget.isPending}
              onClick={() => forget.mutate(undefined, { onSuccess: onClose })}
            >
              Forget it
            </Button>
          )}
        </div>
      </form>
    </Modal>
  );
}

/** What one item says there, and whether that is what the last sweep saw. */
function Tried({ tried }: { tried: TriedContent }) {
  if (tried.problem) {
    return (
      <div className={css.tried} role="alert">
        <p>
          {pathOf(tried.address)} could not be read: {tried.problem}.
        </p>
      </div>
    );
  }
  return (
    <div className={css.tried} role="status">
      <p>{pathOf(tried.address)} was read; nothing was changed there.</p>
      <dl>
        {tried.texts.map((text) => (
          <div key={text.field} style={{ display: "contents" }}>
            <dt>{fieldLabel(text.field)}</dt>
            <dd>
              {text.there || "none"}
              {text.captured !== null && text.captured.trim() !== text.there.trim() && (
                <>
                  <br />
                  (the last sweep saw: {text.captured || "none"})
                </>
              )}
            </dd>
          </div>
        ))}
      </dl>
    </div>
  );
}

/** Lines of a name, a colon and a value, as a text and back. */
const lines = (values: Record<string, string>) =>
  Object.entries(values)
    .map(([name, value]) => `${name}: ${value}`)
    .join("\n");

function valuesOf(text: string): Record<string, string> {
  const values: Record<string, string> = {};
  for (const line of text.split("\n")) {
    const at = line.indexOf(":");
    if (at > 0) values[line.slice(0, at).trim()] = line.slice(at + 1).trim();
  }
  return values;
}

function TemplateFields({ template, onChange }: { template: JsonTemplate; onChange: (t: JsonTemplate) => void }) {
  const set = (changes: Partial<JsonTemplate>) => onChange({ ...template, ...changes });
  const [fields, setFields] = useState(lines(template.fields));
  const [headers, setHeaders] = useState(lines(template.headers));
  return (
    <>
      <TextInput
        label="Read from"
        description="{address}, {path}, {slug} and {id} stand for those of the item"
        placeholder="https://www.example.com/api/pages?path={path}"
        value={template.read}
        onChange={(event) => set({ read: event.currentTarget.value })}
      />
      <div className={css.two}>
        <TextInput
          label="Write to"
          placeholder="https://www.example.com/api/pages/{id}"
          value={template.write}
          onChange={(event) => set({ write: event.currentTarget.value })}
        />
        <NativeSelect
          label="With"
          data={["PUT", "PATCH", "POST"]}
          value={template.method}
          onChange={(event) => set({ method: event.currentTarget.value })}
        />
      </div>
      <div className={css.two}>
        <Textarea
          label="Fields"
          description="A field, a colon, and where it stands in the JSON"
          autosize
          minRows={3}
          value={fields}
          onChange={(event) => {
            setFields(event.currentTarget.value);
            set({ fields: valuesOf(event.currentTarget.value) });
          }}
        />
        <Textarea
          label="Headers"
          description="{secret} stands for the secret below"
          autosize
          minRows={3}
          value={headers}
          onChange={(event) => {
            setHeaders(event.currentTarget.value);
            set({ headers: valuesOf(event.currentTarget.value) });
          }}
        />
      </div>
      <div className={css.two}>
        <TextInput
          label="Where its id stands"
          placeholder="id"
          value={template.id}
          onChange={(event) => set({ id: event.currentTarget.value })}
        />
        <TextInput
          label="Where its version stands"
          placeholder="none"
          value={template.version}
          onChange={(event) => set({ version: event.currentTarget.value })}
        />
      </div>
    </>
  );
}

import { ActionIcon, Button, MultiSelect, NativeSelect, NumberInput, Textarea, TextInput } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import { answer, api, type ItemSet, type SetConditions } from "../api/client";
import { ofProperty, useChange, useChecks, useSections, useSets } from "../api/queries";
import { ChooseFile } from "../parts/ChooseFile";
import { FileLink } from "../parts/FileLink";
import { IconChevronDown, IconChevronUp } from "../parts/icons";
import { of, pathOf } from "../parts/number";
import { QueryProblem } from "../parts/QueryProblem";
import { readJson } from "../parts/readJson";
import { tell, tellProblem, tellWithUndo } from "../parts/tell";
import css from "./SetsView.module.css";
import triage from "./Triage.module.css";
import { TriageHead } from "./TriageHead";

/** The named sets of a property: made, counted, put in order, taken away. */
export function SetsView({ propertyId }: { propertyId: number }) {
  const sets = useSets(propertyId);
  const [edited, setEdited] = useState<ItemSet | "new">();
  const order = useChange(propertyId, (ids: number[]) =>
    answer(api.PUT("/api/properties/{propertyId}/sets/order", { params: { path: { propertyId } }, body: ids })),
  );
  const restore = useChange(propertyId, (id: number) =>
    answer(api.POST("/api/sets/{id}/restore", { params: { path: { id } } })),
  );
  const remove = useChange(propertyId, (set: ItemSet) =>
    answer(api.DELETE("/api/sets/{id}", { params: { path: { id: set.id } } })).then(() => {
      tellWithUndo(`The set “${set.name}” was removed.`, () => restore.mutate(set.id));
      setEdited(undefined);
    }),
  );
  const add = useChange(propertyId, (opened: object) =>
    answer(api.POST("/api/properties/{propertyId}/sets/file", { params: { path: { propertyId } }, body: opened })).then(
      (added) => tell(`${of(added?.sets ?? 0, "set")} added.`),
    ),
  );
  const list = sets.data ?? [];
  const move = (at: number, by: number) => {
    const ids = list.map((set) => set.id);
    const [moved] = ids.splice(at, 1);
    ids.splice(at + by, 0, moved);
    order.mutate(ids);
  };
  return (
    <>
      <TriageHead
        title="Sets of items"
        more={
          <>
            <ChooseFile
              size="xs"
              variant="subtle"
              label="Open JSON"
              accept=".json,application/json"
              onFile={(file) => readJson<object>(file, "sets").then((opened) => add.mutate(opened), tellProblem)}
            />
            {list.length > 0 && <FileLink href={`/api/properties/${propertyId}/sets.json`} label="Save JSON" />}
          </>
        }
      >
        <p>
          A set is named once and used as a filter everywhere; it can have limits of its own. New items belong to it by
          themselves.
        </p>
      </TriageHead>
      {sets.error && <QueryProblem query={sets} className={triage.empty} />}
      {sets.isPending && <div className={triage.skeleton} aria-busy />}
      {sets.data && (
        <div className={css.split}>
          <div>
            {list.length === 0 && (
              <p className={css.empty}>
                No sets yet. For example: all pages of the journal, every listing over 100, or what was published in the
                last three months.
              </p>
            )}
            <ol className={css.list}>
              {list.map((set, at) => (
                <li key={set.id} aria-current={edited !== "new" && edited?.id === set.id ? "true" : undefined}>
                  <div className={css.name}>
                    <button type="button" onClick={() => setEdited(set)}>
                      {set.name}
                    </button>
                    <span>{of(set.items, "item")}</span>
                  </div>
                  <div className={css.ways}>
                    <Link to={`/p/${propertyId}/rewrite?set=${set.id}`}>Open in Rewrite</Link>
                    <Link to={`?view=standard&set=${set.id}`}>
                      {set.ownStandard ? "Its own standard" : "Give it a standard"}
                    </Link>
                  </div>
                  <span className={css.order}>
                    <ActionIcon
                      size="sm"
                      variant="subtle"
                      aria-label={`${set.name}: up`}
                      disabled={at === 0}
                      onClick={() => move(at, -1)}
                    >
                      <IconChevronUp size={14} />
                    </ActionIcon>
                    <ActionIcon
                      size="sm"
                      variant="subtle"
                      aria-label={`${set.name}: down`}
                      disabled={at === list.length - 1}
                      onClick={() => move(at, 1)}
                    >
                      <IconChevronDown size={14} />
                    </ActionIcon>
                  </span>
                </li>
              ))}
            </ol>
            {list.filter((set) => set.ownStandard).length > 1 && (
              <p className={css.empty}>Where an item belongs to several, the standard of the upper set goes first.</p>
            )}
            <Button size="xs" variant="default" onClick={() => setEdited("new")}>
              New set
            </Button>
          </div>
          {edited && (
            <SetForm
              key={edited === "new" ? "new" : edited.id}
              propertyId={propertyId}
              set={edited === "new" ? undefined : edited}
              others={list.filter((set) => edited === "new" || set.id !== edited.id)}
              onDone={setEdited}
              onRemove={(set) => remove.mutate(set)}
            />
          )}
        </div>
      )}
    </>
  );
}

interface FormProps {
  propertyId: number;
  /** undefined for a new one */
  set: ItemSet | undefined;
  others: ItemSet[];
  onDone: (set: ItemSet | undefined) => void;
  onRemove: (set: ItemSet) => void;
}

const lines = (text: string) => {
  const found = text.split("\n").filter((line) => line.trim());
  return found.length > 0 ? found : undefined;
};

const YES_NO = [
  { value: "", label: "either" },
  { value: "true", label: "yes" },
  { value: "false", label: "no" },
];

const said = (value: boolean | null | undefined) => (value === null || value === undefined ? "" : String(value));
const meant = (value: string) => (value === "" ? undefined : value === "true");

function SetForm({ propertyId, set, others, onDone, onRemove }: FormProps) {
  const [name, setName] = useState(set?.name ?? "");
  const [addresses, setAddresses] = useState((set?.conditions.addresses ?? []).join("\n"));
  const [conditions, setConditions] = useState<SetConditions>(set?.conditions ?? {});
  const change = (part: SetConditions) => setConditions((now) => ({ ...now, ...part }));
  const whole: SetConditions = { ...conditions, addresses: lines(addresses) };
  const sections = useSections(propertyId);
  const checks = useChecks(propertyId);
  const save = useChange(propertyId, () => {
    const body = { name, conditions: whole };
    return answer(
      set
        ? api.PUT("/api/sets/{id}", { params: { path: { id: set.id } }, body })
        : api.POST("/api/properties/{propertyId}/sets", { params: { path: { propertyId } }, body }),
    );
  });
  const price = conditions.price ?? {};
  const age = conditions.ageDays ?? {};
  return (
    <form
      className={css.form}
      aria-label={set ? `The set ${set.name}` : "A new set"}
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(undefined, {
          onSuccess: (saved) => {
            tell(`The set “${saved.name}” has ${of(saved.items ?? 0, "item")}.`);
            onDone(saved as ItemSet);
          },
        });
      }}
    >
      <div className={css.fields}>
        <TextInput
          size="xs"
          label="Name"
          data-autofocus
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
        />
        <Textarea
          size="xs"
          label="Address"
          description="One pattern a line: /journal/ from the start of the path, * for anything, $ for the end."
          autosize
          minRows={1}
          maxRows={6}
          value={addresses}
          onChange={(e) => setAddresses(e.currentTarget.value)}
        />
        <MultiSelect
          size="xs"
          label="Section"
          searchable
          clearable
          data={(sections.data ?? []).filter(({ section }) => section).map(({ section }) => section)}
          value={conditions.sections ?? []}
          onChange={(some) => change({ sections: some.length > 0 ? some : undefined })}
        />
        <Row>
          <NativeSelect
            size="xs"
            label="Has a keyword"
            data={YES_NO}
            value={said(conditions.withKeyword)}
            onChange={(e) => change({ withKeyword: meant(e.currentTarget.value) })}
          />
          <TextInput
            size="xs"
            label="Keyword contains"
            value={conditions.keyword ?? ""}
            onChange={(e) => change({ keyword: e.currentTarget.value || undefined })}
          />
        </Row>
        <Row>
          <TextInput
            size="xs"
            label="Tag"
            value={conditions.tag ?? ""}
            onChange={(e) => change({ tag: e.currentTarget.value || undefined })}
          />
          <TextInput
            size="xs"
            label="Language"
            placeholder="de"
            value={conditions.language ?? ""}
            onChange={(e) => change({ language: e.currentTarget.value.trim() || undefined })}
          />
        </Row>
        <Row>
          <Bound
            label="Price, at least"
            value={price.min}
            onChange={(min) => change({ price: range(min, price.max) })}
          />
          <Bound
            label="Price, at most"
            value={price.max}
            onChange={(max) => change({ price: range(price.min, max) })}
          />
        </Row>
        <Row>
          <Bound
            label="Published, days ago, at least"
            value={age.min}
            onChange={(min) => change({ ageDays: range(min, age.max) })}
          />
          <Bound label="… at most" value={age.max} onChange={(max) => change({ ageDays: range(age.min, max) })} />
        </Row>
        <Row>
          <NativeSelect
            size="xs"
            label="Indexable"
            data={YES_NO}
            value={said(conditions.indexable)}
            onChange={(e) => change({ indexable: meant(e.currentTarget.value) })}
          />
          <NativeSelect
            size="xs"
            label="Within the set"
            data={[{ value: "", label: "none" }, ...others.map((other) => ({ value: other.name, label: other.name }))]}
            value={conditions.within ?? ""}
            onChange={(e) => change({ within: e.currentTarget.value || undefined })}
          />
        </Row>
        <NativeSelect
          size="xs"
          label="Finding"
          data={[
            { value: "", label: "with or without" },
            ...(checks.data ?? []).map((check) => ({ value: `${check.field} ${check.check}`, label: check.label })),
          ]}
          value={conditions.found ? `${conditions.found.field} ${conditions.found.check}` : ""}
          onChange={(e) => {
            const [field, check] = e.currentTarget.value.split(" ");
            change({ found: check ? ({ field, check } as SetConditions["found"]) : undefined });
          }}
        />
      </div>
      <div className={css.side}>
        <Members propertyId={propertyId} conditions={whole} />
        <div className={css.buttons}>
          <Button size="xs" type="submit" disabled={!name.trim()} loading={save.isPending}>
            Save set
          </Button>
          <Button size="xs" variant="subtle" onClick={() => onDone(undefined)}>
            Cancel
          </Button>
          {set && (
            <Button size="xs" variant="subtle" className={css.remove} onClick={() => onRemove(set)}>
              Remove
            </Button>
          )}
        </div>
      </div>
    </form>
  );
}

const Row = ({ children }: { children: ReactNode }) => <div className={css.row}>{children}</div>;

const range = (min?: number | null, max?: number | null) =>
  (min ?? undefined) === undefined && (max ?? undefined) === undefined ? undefined : { min, max };

function Bound({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number | null | undefined;
  onChange: (value: number | undefined) => void;
}) {
  return (
    <NumberInput
      size="xs"
      label={label}
      min={0}
      value={value ?? ""}
      onChange={(next) => onChange(typeof next === "number" ? next : undefined)}
    />
  );
}

/** Who would belong to the set, as it is made. */
function Members({ propertyId, conditions }: { propertyId: number; conditions: SetConditions }) {
  const [asked] = useDebouncedValue(JSON.stringify(conditions), 250);
  const members = useQuery({
    queryKey: ofProperty(propertyId, "set members", asked),
    queryFn: () =>
      answer(
        api.POST("/api/properties/{propertyId}/sets/preview", {
          params: { path: { propertyId } },
          body: JSON.parse(asked),
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  if (members.error) {
    return (
      <p role="alert" className={css.wrong}>
        {members.error.message}
      </p>
    );
  }
  if (!members.data) return <p className={css.members}>…</p>;
  const { items, examples } = members.data;
  return (
    <div className={css.members} aria-live="polite">
      <b>{of(items ?? 0, "item")}</b>
      <ul>
        {(examples ?? []).map((address) => (
          <li key={address}>{address.includes("://") ? pathOf(address) : address}</li>
        ))}
      </ul>
    </div>
  );
}

import { Button, NativeSelect, Popover } from "@mantine/core";
import type { ReactNode } from "react";
import { useNavigate } from "react-router";
import type { ItemFilter, ItemSet } from "../api/client";
import { useChecks, useSections, useSets } from "../api/queries";
import { TableLinks } from "./FileLink";
import css from "./FilterBar.module.css";
import { IconX } from "./icons";
import { count, day, of } from "./number";
import type { ItemView } from "./useItemView";

/** What findings of copies share, which is no text but why they are copies. */
const COPIES: Record<string, string> = {
  ":translation": "copies in other languages",
  ":variant": "copies at variants of an address",
  ":series": "copies whose addresses differ in a number",
  ":same-slug": "copies with the same slug",
};

/** When the findings that are meant came. */
function lifeOf({ what, moment }: NonNullable<ItemFilter["life"]>) {
  const when = day(new Date((moment ?? 0) * 1000).toISOString());
  return what === "OLD" ? `found by ${when} or before` : `${what === "NEW" ? "new" : "back"} since ${when}`;
}

/** Days since an item was published or changed. */
const AGES = [
  { value: "..61", label: "in the last 2 months" },
  { value: "..183", label: "in the last 6 months" },
  { value: "..365", label: "in the last year" },
  { value: "366..", label: "more than a year ago" },
];

const TIMES = [
  { kind: "PUBLISHED", label: "Published" },
  { kind: "CHANGED", label: "Changed" },
] as const;

function inWords({ kind, value }: NonNullable<ItemFilter["having"]>) {
  if (kind === "FOLDER") return `in ${value}`;
  if (kind === "TITLED") return `under titles like “${value}”`;
  if (kind === "TAGGED") return `tagged “${value}”`;
  const when = AGES.find((age) => age.value === value)?.label ?? `${value} days ago`;
  return `${kind === "CHANGED" ? "changed" : "published"} ${when}`;
}

/** Leads to where sets are made. */
const EDIT = "edit";

const shares = (shared: string) => COPIES[shared] ?? `shares “${shared.trim()}”`;

/** What narrows a table of items, and how many are left. */
export function FilterBar({
  propertyId,
  view,
  children,
}: {
  propertyId: number;
  view: ItemView;
  children?: ReactNode;
}) {
  const sections = useSections(propertyId);
  const checks = useChecks(propertyId);
  const sets = useSets(propertyId);
  const { filter, set } = view;
  const check = filter.check ? `${filter.field ?? ""} ${filter.check}` : "";
  const nameOf = (id: number) => sets.data?.find((each) => each.id === id)?.name ?? "a set";
  const narrowed = Object.values(filter).some(Boolean);
  return (
    <div className={css.bar}>
      <strong className={css.total}>{view.rows.total === undefined ? "– items" : of(view.rows.total, "item")}</strong>
      <NativeSelect
        aria-label="Section"
        size="xs"
        value={filter.section ?? ""}
        onChange={(event) => set({ section: event.currentTarget.value })}
        data={[
          { value: "", label: "all sections" },
          ...(sections.data ?? []).map((s) => ({
            value: s.section,
            label: `${s.section || "no section"} (${count(s.items)})`,
          })),
        ]}
      />
      <NativeSelect
        aria-label="Finding"
        size="xs"
        value={check}
        onChange={(event) => {
          const [field, code] = event.currentTarget.value.split(" ");
          set({ field, check: code, shared: undefined, state: undefined });
        }}
        data={[
          { value: "", label: "all findings" },
          ...[...new Set((checks.data ?? []).map((k) => k.field))]
            .filter((field) => field !== "indexing")
            .map((field) => ({ value: `${field} any`, label: `any of the ${field === "h1" ? "H1" : field}` })),
          ...(checks.data ?? []).map((k) => ({
            value: `${k.field} ${k.check}`,
            label: `${k.label} (${count(k.items)})`,
          })),
        ]}
      />
      <NativeSelect
        aria-label="Draft"
        size="xs"
        value={filter.state ?? ""}
        onChange={(event) => set({ state: event.currentTarget.value, field: undefined, check: undefined })}
        data={[
          { value: "", label: "any draft state" },
          { value: "any", label: "with a draft" },
          { value: "drafted", label: "drafted" },
          { value: "approved", label: "approved" },
          { value: "sent-back", label: "sent back" },
          { value: "released", label: "in a release" },
          { value: "delivered", label: "delivered" },
          { value: "live", label: "live" },
        ]}
      />
      <MoreFilters propertyId={propertyId} filter={filter} set={set} sets={sets.data ?? []} />
      {filter.target === "with" && <Chip what="with a keyword" onRemove={() => set({ target: undefined })} />}
      {filter.target === "without" && <Chip what="without a keyword" onRemove={() => set({ target: undefined })} />}
      {filter.set && <Chip what={`in ${nameOf(filter.set)}`} onRemove={() => set({ set: undefined })} />}
      {filter.having && <Chip what={inWords(filter.having)} onRemove={() => set({ having: undefined })} />}
      {filter.q && <Chip what={`contains “${filter.q}”`} onRemove={() => set({ q: undefined })} />}
      {filter.life && <Chip what={lifeOf(filter.life)} onRemove={() => set({ life: undefined })} />}
      {filter.shared && <Chip what={shares(filter.shared)} onRemove={() => set({ shared: undefined })} />}
      {narrowed && (
        <button
          type="button"
          className={css.clear}
          onClick={() =>
            set({
              q: undefined,
              section: undefined,
              field: undefined,
              check: undefined,
              shared: undefined,
              state: undefined,
              target: undefined,
              indexable: undefined,
              set: undefined,
              life: undefined,
              having: undefined,
            })
          }
        >
          Clear filters
        </button>
      )}
      <span className={css.rest}>
        {children}
        <TableLinks csv={view.csv} />
      </span>
    </div>
  );
}

interface MoreProps {
  propertyId: number;
  filter: ItemFilter;
  set: ItemView["set"];
  sets: ItemSet[];
}

/** What is asked for more rarely, so that the bar has room for the rest. */
function MoreFilters({ propertyId, filter, set, sets }: MoreProps) {
  const navigate = useNavigate();
  return (
    <Popover position="bottom-start" withinPortal>
      <Popover.Target>
        <Button size="xs" variant="default" className={css.more}>
          More …
        </Button>
      </Popover.Target>
      <Popover.Dropdown className={css.form}>
        <NativeSelect
          label="Keyword"
          size="xs"
          value={filter.target === "with" || filter.target === "without" ? filter.target : ""}
          onChange={(event) => set({ target: event.currentTarget.value })}
          data={[
            { value: "", label: "any keyword" },
            { value: "with", label: "with a keyword" },
            { value: "without", label: "without a keyword" },
          ]}
        />
        <NativeSelect
          label="Set"
          size="xs"
          value={filter.set ?? ""}
          onChange={(event) =>
            event.currentTarget.value === EDIT
              ? navigate(`/p/${propertyId}/triage?view=sets`)
              : set({ set: event.currentTarget.value })
          }
          data={[
            { value: "", label: "any set" },
            ...sets.map((each) => ({ value: `${each.id}`, label: `${each.name} (${count(each.items)})` })),
            { value: EDIT, label: "Edit sets …" },
          ]}
        />
        {TIMES.map(({ kind, label }) => (
          <NativeSelect
            key={kind}
            label={label}
            size="xs"
            value={filter.having?.kind === kind ? filter.having.value : ""}
            onChange={({ currentTarget: { value } }) => set({ having: value && `${kind.toLowerCase()} ${value}` })}
            data={[{ value: "", label: "whenever" }, ...AGES]}
          />
        ))}
      </Popover.Dropdown>
    </Popover>
  );
}

function Chip({ what, onRemove }: { what: string; onRemove: () => void }) {
  return (
    <span className={css.chip}>
      <span>{what}</span>
      <button type="button" aria-label={`No longer: ${what}`} onClick={onRemove}>
        <IconX size={13} />
      </button>
    </span>
  );
}

import { Button, SegmentedControl, Textarea } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { answer, api, type Field, type ItemRow, type LimitCheck, type TypedCell } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import css from "./CloseUp.module.css";
import { ConflictDialog } from "./ConflictDialog";
import { DraftNotes } from "./DraftNotes";
import { ItemFindings } from "./ItemFindings";
import { ListDialog } from "./ListDialog";
import { count, dayAndTime, of, pathOf } from "./number";
import { QueryProblem } from "./QueryProblem";
import { ResultOptions } from "./ResultOptions";
import { ResultPreview } from "./ResultPreview";
import { SidePanel } from "./SidePanel";
import { saveTexts } from "./saveTexts";
import { tell, tellProblem } from "./tell";
import { useConflicts } from "./useConflicts";
import { useLooks } from "./useLooks";
import { useResultExtras } from "./useResultExtras";

type Device = "desktop" | "phone";

/** As wide as the result that is drawn in it, in px; results of listings and videos are wider. */
const WIDTHS = { phone: { narrow: 402, wide: 506 }, desktop: { narrow: 549, wide: 677 } };

interface Props {
  propertyId: number;
  itemId: number | undefined;
  editable?: boolean;
  /** What is shown of its keywords in the place of the primary one. */
  keywords?: (item: ItemRow) => ReactNode;
  /** Opens other wordings of a text, where that is offered. */
  onWordings?: (field: "title" | "description") => void;
  /** What is shown of the item before anything else. */
  lead?: (item: ItemRow) => ReactNode;
  /** What else is shown of the item. */
  more?: (item: ItemRow) => ReactNode;
  onClose: () => void;
}

/** The item in hand: how it will look, its texts with their measure, its keyword, what is wrong, what was done. */
export function CloseUp({ propertyId, itemId, editable, keywords, onWordings, lead, more, onClose }: Props) {
  const [device, setDevice] = useLocalStorage<Device>({
    key: "close-up device",
    defaultValue: "phone",
    getInitialValueInEffect: false,
  });
  const item = useQuery({
    queryKey: ofProperty(propertyId, "item", itemId),
    queryFn: () => answer(api.GET("/api/items/{id}", { params: { path: { id: itemId ?? 0 } } })),
    enabled: itemId !== undefined,
    meta: { shown: true },
    placeholderData: (before) => before,
  });
  return (
    <SidePanel
      label="Close-up"
      title={item.data && headingOf(item.data)}
      width={WIDTHS[device][item.data?.tags ? "wide" : "narrow"]}
      onClose={onClose}
    >
      {item.error ? (
        <QueryProblem query={item} className={css.hint} />
      ) : item.data ? (
        <Inside
          key={item.data.id}
          propertyId={propertyId}
          item={item.data}
          editable={editable}
          keywords={keywords}
          onWordings={onWordings}
          lead={lead}
          more={more}
          device={device}
          onDevice={setDevice}
        />
      ) : (
        <p className={css.hint}>
          Choose a row to see its item close up: the search result, its texts, its keyword and its history.
        </p>
      )}
    </SidePanel>
  );
}

const headingOf = (item: ItemRow) => item.h1 || (item.title.draft ?? item.title.captured) || pathOf(item.address);

const FIELDS = ["title", "description"] as const;
type TextField = (typeof FIELDS)[number];

interface TypedText {
  text: string;
  /** What was in force when the typing began. */
  from: string;
}

type Typed = Partial<Record<TextField, TypedText>>;

/** What was typed on while texts were being saved: it is typed over those. */
function typedSince(typed: Typed, saved: Record<TextField, string>): Typed {
  const on: Typed = {};
  for (const field of FIELDS) {
    const now = typed[field];
    if (now && now.text !== saved[field]) on[field] = { text: now.text, from: saved[field] };
  }
  return on;
}

type InsideProps = Pick<Props, "propertyId" | "editable" | "keywords" | "onWordings" | "lead" | "more"> & {
  item: ItemRow;
  device: Device;
  onDevice: (device: Device) => void;
};

function Inside({ propertyId, item, editable, keywords, onWordings, lead, more, device, onDevice }: InsideProps) {
  const [listing, setListing] = useState(false);
  const captured = {
    title: item.title.draft ?? item.title.captured,
    description: item.description.draft ?? item.description.captured,
  };
  // Only what was typed here is held: everything else is shown as it comes, and never saved.
  const [typed, setTyped] = useState<Typed>({});
  const texts = {
    title: typed.title?.text ?? captured.title,
    description: typed.description?.text ?? captured.description,
  };
  const extras = useResultExtras(item);
  const looks = useLooks(propertyId, item.id, texts.title, texts.description, item.aim?.keyword ?? "", extras.date);
  const conflicts = useConflicts();
  const save = useChange(propertyId, (cells: TypedCell[]) => saveTexts(propertyId, cells), "says its problems");
  const keep = useChange(propertyId, ({ fields, reason }: { fields: Field[]; reason?: string }) =>
    answer(
      api.POST("/api/properties/{propertyId}/keeps", {
        params: { path: { propertyId } },
        body: { selection: { ids: [item.id] }, fields, reason },
      }),
    ),
  );
  const changed = FIELDS.filter((field) => texts[field] !== captured[field]);
  const cells = (insist = false): TypedCell[] =>
    changed.map((field) => ({
      itemId: item.id,
      field,
      text: texts[field],
      from: insist ? undefined : typed[field]?.from,
    }));
  const left = useRef(false);
  const tellLost = (problem: Error) => {
    const lost = changed.map((field) => `“${texts[field]}”`).join(" and ");
    tellProblem(new Error(`${problem.message} What you typed was not saved: ${lost}`));
  };
  const store = (insist: boolean) =>
    save.mutateAsync(cells(insist)).then(
      () => setTyped((now) => typedSince(now, texts)),
      (problem: Error) => (left.current ? tellLost(problem) : conflicts.meet(problem, () => store(true))),
    );
  // Whoever goes to another row does not lose what he typed: it is saved, and one key undoes it.
  const leaving = useRef<() => void>(() => undefined);
  leaving.current = () => {
    if (!editable || changed.length === 0 || save.isPending) return;
    const { title } = captured;
    save
      .mutateAsync(cells())
      .then(() => tell(`What you typed for ${title || pathOf(item.address)} was saved. ctrl + Z undoes it.`))
      .catch(tellLost);
  };
  useEffect(() => {
    left.current = false;
    return () => {
      left.current = true;
      leaving.current();
    };
  }, []);
  return (
    <div className={css.inside}>
      <ConflictDialog insist="Overwrite with mine" {...conflicts.dialog} />
      <div className={css.top}>
        {item.address.includes("://") ? (
          <a className={css.address} href={item.address} target="_blank" rel="noreferrer">
            {pathOf(item.address)}
          </a>
        ) : (
          <span className={css.address}>{item.address}</span>
        )}
        <button type="button" className={css.small} onClick={() => setListing(true)}>
          Put on a list
        </button>
      </div>
      {listing && (
        <ListDialog
          propertyId={propertyId}
          listed={{ name: headingOf(item).slice(0, 500), place: `${new URLSearchParams({ q: item.address })}` }}
          onClose={() => setListing(false)}
        />
      )}
      {lead?.(item)}
      {item.noindex && <p className={css.obstacle}>Not indexable: {item.noindex}.</p>}
      <section>
        <SegmentedControl
          size="xs"
          aria-label="Device"
          value={device}
          onChange={(value) => onDevice(value as Device)}
          data={[
            { value: "desktop", label: "Desktop" },
            { value: "phone", label: "Mobile" },
          ]}
        />
        <div className={device === "phone" && !item.tags ? css.preview : `${css.preview} ${css.scaled}`}>
          {looks.data && (
            <ResultPreview
              looks={looks.data}
              address={item.address}
              device={device}
              wide={item.tags !== null}
              below={extras.below}
            />
          )}
        </div>
        <ResultOptions extras={extras} />
      </section>
      <section className={css.texts}>
        {FIELDS.map((field) => (
          <div key={field} className={css.text}>
            <Textarea
              label={field === "title" ? "Title" : "Description"}
              autosize
              minRows={field === "title" ? 1 : 2}
              maxRows={8}
              value={texts[field]}
              readOnly={!editable || item[field].kept !== null}
              onChange={(event) => {
                const text = event.currentTarget.value;
                const from = typed[field]?.from ?? captured[field];
                setTyped((now) => ({ ...now, [field]: text === captured[field] ? undefined : { text, from } }));
              }}
            />
            {looks.data && <Measure fit={looks.data[field].fit} lacks={looks.data[field].lacks} />}
            {onWordings && item[field].kept === null && (
              <button type="button" className={css.small} onClick={() => onWordings(field)}>
                Other wordings
              </button>
            )}
            {item[field].draft !== null && <p className={css.before}>Captured: {item[field].captured || "none"}</p>}
            {item[field].kept !== null && <p className={css.before}>Kept as it is: {item[field].kept}</p>}
          </div>
        ))}
        {item.heldTo.length > 0 && (
          <p className={css.before}>
            Held to the limits of {item.heldTo.map((name) => `“${name}”`).join(", then ")} instead of the property’s.
          </p>
        )}
        {item.tags && <p className={css.tags}>Tags: {item.tags.draft ?? item.tags.captured ?? "none"}</p>}
        {editable && (
          <div className={css.buttons}>
            <Button size="xs" disabled={changed.length === 0} loading={save.isPending} onClick={() => store(false)}>
              Save draft
            </Button>
            <Button size="xs" variant="subtle" disabled={changed.length === 0} onClick={() => setTyped({})}>
              Revert
            </Button>
            <KeepButton item={item} onKeep={(fields, reason) => keep.mutate({ fields, reason })} />
          </div>
        )}
      </section>
      {keywords ? keywords(item) : <PrimaryKeyword item={item} />}
      <DraftNotes propertyId={propertyId} item={item} />
      <ItemFindings propertyId={propertyId} item={item} />
      <History propertyId={propertyId} itemId={item.id} />
      {more?.(item)}
    </div>
  );
}

/** What the item aims at first of all. */
function PrimaryKeyword({ item }: { item: ItemRow }) {
  return (
    <section>
      <h3>Keyword</h3>
      {item.aim?.keyword ? (
        <p>
          <b>{item.aim.keyword}</b>
          {item.aim.volume !== null && <>, {count(item.aim.volume)} searches a month</>}
          <br />
          <span className={css.soft}>{item.aim.reason}</span>
        </p>
      ) : (
        <p className={css.soft}>{item.aim ? item.aim.reason : "It has no keyword yet."}</p>
      )}
    </section>
  );
}

function Measure({ fit, lacks }: { fit: LimitCheck; lacks: string[] }) {
  return (
    <div className={css.measure}>
      <span>
        {Math.round(fit.px)} px, {of(fit.chars, "character")}
        {fit.says && <b>, {fit.says}</b>}
        {lacks.length > 0 && <>; lacks {lacks.join(", ")}</>}
      </span>
    </div>
  );
}

function KeepButton({ item, onKeep }: { item: ItemRow; onKeep: (fields: Field[], reason?: string) => void }) {
  const kept = FIELDS.filter((field) => item[field].kept !== null);
  const [reason, setReason] = useState<string>();
  if (kept.length > 0) {
    return (
      <Button size="xs" variant="subtle" onClick={() => onKeep(kept)}>
        Stop keeping
      </Button>
    );
  }
  if (reason === undefined) {
    return (
      <Button size="xs" variant="subtle" onClick={() => setReason("")}>
        Keep as is
      </Button>
    );
  }
  return (
    <form
      className={css.reason}
      onSubmit={(event) => {
        event.preventDefault();
        onKeep(["title", "description"], reason);
        setReason(undefined);
      }}
    >
      <Textarea
        data-autofocus
        label="Why title and description stay as they are"
        value={reason}
        onChange={(event) => setReason(event.currentTarget.value)}
      />
      <Button size="xs" type="submit" disabled={reason.trim() === ""}>
        Keep
      </Button>
    </form>
  );
}

function History({ propertyId, itemId }: { propertyId: number; itemId: number }) {
  const history = useQuery({
    queryKey: ofProperty(propertyId, "history", itemId),
    queryFn: () => answer(api.GET("/api/items/{id}/history", { params: { path: { id: itemId } } })),
  });
  if (!history.data || history.data.length === 0) return null;
  return (
    <section>
      <h3>History</h3>
      <ul className={css.list}>
        {history.data.map((past, i) => (
          <li key={i}>
            {past.title}
            {past.state === "undone" && <i> (undone)</i>}
            <br />
            <span className={css.soft}>
              {dayAndTime(past.created)}, {past.field}: {past.afterText ?? "the captured text"}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

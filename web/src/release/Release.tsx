import { Button } from "@mantine/core";
import { useCallback, useMemo, useState } from "react";
import { useSearchParams } from "react-router";
import { answer, api, type ItemRow, type Selection, type TypedCell } from "../api/client";
import { useChange } from "../api/queries";
import { BatchBar } from "../parts/BatchBar";
import { CloseUp } from "../parts/CloseUp";
import { ConflictDialog } from "../parts/ConflictDialog";
import { useChoice } from "../parts/choice";
import { FilterBar } from "../parts/FilterBar";
import { DRAFTED_FIELDS } from "../parts/fields";
import { Grid } from "../parts/Grid";
import { of } from "../parts/number";
import { RefreshOrder } from "../parts/RefreshOrder";
import { saveTexts } from "../parts/saveTexts";
import stage from "../parts/stage.module.css";
import { tell } from "../parts/tell";
import { useConflicts } from "../parts/useConflicts";
import { useItemView } from "../parts/useItemView";
import { useProperty } from "../parts/useProperty";
import { BeforeAfter } from "./BeforeAfter";
import { draftColumns, LookChoice, lookOf, TALL } from "./draftColumns";
import { Handovers } from "./Handovers";
import { ReviewPanel } from "./ReviewPanel";

const DRAFTED = { state: "any" };

type State = "drafted" | "sent-back" | "approved";

interface Decision {
  selection: Selection;
  state: State;
  /** Decide about texts whatever they are now. */
  insist: boolean;
  note?: string;
}

const NO_FIELDS: string[] = [];

const DETAILS = { parts: true, changes: true };

/** Drafts before and after: approved, sent back, and delivered. */
export function Release() {
  const { propertyId, property, standing } = useProperty();
  const [search] = useSearchParams();
  const view = useItemView(propertyId, DRAFTED, true, undefined, DETAILS);
  const choice = useChoice(view.filter);
  const [hand, setHand] = useState<number>();
  const follow = useCallback((row: ItemRow | undefined, again: boolean) => {
    if (!row) return;
    setHand((now) => (again && now === undefined ? now : row.id));
    if (!again) setNoting(false);
  }, []);
  const drafted = standing?.draftedFields ?? NO_FIELDS;
  const fields = useMemo(() => DRAFTED_FIELDS.filter((field) => drafted.includes(field)), [drafted]);
  const look = lookOf(search.get("look"));
  const columns = useMemo(() => draftColumns(look, fields), [look, fields]);
  const conflicts = useConflicts();
  const decide = useChange(
    propertyId,
    ({ selection, state, insist, note }: Decision) =>
      answer(
        api.POST("/api/properties/{propertyId}/decisions", {
          params: { path: { propertyId } },
          body: { selection, fields: [], state, asOf: insist ? undefined : view.seen(), note: note || undefined },
        }),
      ),
    "says its problems",
  );
  const decided = (decision: Decision, onDone: () => void) =>
    decide.mutate(decision, {
      onSuccess: ({ texts, left }) => {
        const what = decision.state === "approved" ? "approved" : "sent back";
        tell(
          `${of(texts, "draft")} ${what}.${left > 0 ? ` ${of(left, "draft")} stayed: delivered already, or so before.` : ""}`,
        );
        onDone();
      },
      onError: (problem) => conflicts.meet(problem, () => decided({ ...decision, insist: true }, onDone)),
    });
  const decideSelected = (state: State) =>
    decided({ selection: choice.selection(view.filter), state, insist: false }, choice.none);
  const [noting, setNoting] = useState(false);
  const decideOne = (itemId: number, state: State, note = "") => {
    setNoting(false);
    decided({ selection: { ids: [itemId] }, state, insist: false, note }, () => undefined);
  };
  const drop = useChange(propertyId, async () => {
    const ids =
      choice.selection(view.filter).ids ?? (await view.idsBetween(0, (view.rows.total ?? 1) - 1)).filter(choice.has);
    const cells: TypedCell[] = ids.flatMap((itemId) => fields.map((field) => ({ itemId, field })));
    return saveTexts(propertyId, cells);
  });
  return (
    <div className={stage.stage}>
      <ConflictDialog insist="Decide about them as they are now" {...conflicts.dialog} />
      <FilterBar propertyId={propertyId} view={view}>
        <RefreshOrder view={view} revision={property?.revision} />
        <LookChoice look={look} />
      </FilterBar>
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label="Drafts before and after"
            columns={columns}
            {...view.grid}
            tall={TALL[look]}
            choice={choice}
            onCursor={follow}
            onKey={(key, row) => {
              if (key === "a") decideOne(row.id, "approved");
              if (key === "s") {
                setHand(row.id);
                setNoting(true);
              }
            }}
            empty={
              search.size > 0
                ? "No draft is left with this filter."
                : "No drafts yet. Write some under Rewrite; then approve them here or send them back."
            }
          />
          <BatchBar n={choice.count(view.rows.total ?? 0)} thing="item" onNone={choice.none}>
            <Button size="xs" loading={decide.isPending} onClick={() => decideSelected("approved")}>
              Approve
            </Button>
            <Button size="xs" variant="default" onClick={() => decideSelected("sent-back")}>
              Send back
            </Button>
            <Button
              size="xs"
              variant="default"
              loading={drop.isPending}
              onClick={() => drop.mutate(undefined, { onSuccess: choice.none })}
            >
              Discard drafts
            </Button>
          </BatchBar>
        </div>
        {hand === undefined ? (
          property && (
            <Handovers
              property={property}
              approved={standing?.approved ?? 0}
              selected={choice.count(view.rows.total ?? 0) > 0 ? choice.selection(view.filter) : null}
            >
              <ReviewPanel
                propertyId={propertyId}
                selection={
                  choice.count(view.rows.total ?? 0) > 0 ? choice.selection(view.filter) : { filter: view.filter }
                }
                waiting={(standing?.drafted ?? 0) + (standing?.sentBack ?? 0)}
              />
            </Handovers>
          )
        ) : (
          <CloseUp
            propertyId={propertyId}
            itemId={hand}
            editable
            lead={(item) => (
              <BeforeAfter
                propertyId={propertyId}
                item={item}
                busy={decide.isPending}
                noting={noting}
                onNoting={setNoting}
                onDecide={(state, note) => decideOne(item.id, state, note)}
              />
            )}
            onClose={() => setHand(undefined)}
          />
        )}
      </div>
    </div>
  );
}

import { Button, NativeSelect } from "@mantine/core";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { answer, api, type EditSpec, type Field, type SavedEdit, type Selection } from "../api/client";
import { useChange } from "../api/queries";
import { ConflictDialog } from "../parts/ConflictDialog";
import { count, of } from "../parts/number";
import { SidePanel } from "../parts/SidePanel";
import { tell } from "../parts/tell";
import { useConflicts } from "../parts/useConflicts";
import { EditForm } from "./EditForm";
import { KeepForm } from "./KeepForm";
import css from "./Rewrite.module.css";
import { startOf } from "./recipes";
import { SavedEdits } from "./SavedEdits";
import { SheetForm } from "./SheetForm";
import { MOST_HITS, StepThrough } from "./StepThrough";
import { fieldOf, TOOLS, type Tool, toolChoice } from "./tools";
import { usePreview } from "./usePreview";
import type { Previewed } from "./usePreviewedRows";
import { type Outcome, Verdict } from "./Verdict";

interface Props {
  propertyId: number;
  listings: boolean;
  tool: Tool;
  field: Field;
  /** what to find and to put in its place, where a cause or a tag led here; else "" */
  given: { find: string; with: string };
  n: number;
  selection: Selection;
  onTool: (tool: Tool, field?: Field) => void;
  /** Says what is previewed, for the desk to show. */
  onPreview: (previewed: Previewed | undefined) => void;
  /** What the desk is narrowed to. */
  outcome: Outcome | undefined;
  onOutcome: (outcome: Outcome | undefined) => void;
  onClose: () => void;
}

/** What is done with the chosen items other than editing their texts. */
const FORMS: Partial<Record<Tool, typeof KeepForm>> = { keep: KeepForm, sheet: SheetForm };

/** Recipes are saved in their own way, and answers of the writer are not saved again. */
const UNSAVED: Tool[] = ["recipe", "recipes", "written"];

/** An edit of the chosen items: put together, seen before and after, applied as one batch. */
export function EditPanel(props: Props) {
  const { propertyId, listings, tool: asked, field, given, onTool, onPreview, onClose } = props;
  const [opened, setOpened] = useState<SavedEdit>();
  const [stepping, setStepping] = useState(false);
  /** Fewer items than were selected: those that are new, or the hits that were taken. */
  const [fewer, setFewer] = useState<{ ids: number[]; thing: string }>();
  const n = fewer?.ids.length ?? props.n;
  const selection = useMemo(() => (fewer ? { ids: fewer.ids } : props.selection), [fewer, props.selection]);
  const tool = asked === "tags" ? "add-tags" : asked;
  const [spec, setSpec] = useState<EditSpec>(() => startOf(tool, field, given, listings));
  const Form = FORMS[tool];
  const ready = !Form && isReady(spec);
  const { figures, problem, current } = usePreview(propertyId, selection, ready ? spec : undefined);
  const stopStepping = useCallback(() => setStepping(false), []);
  const conflicts = useConflicts();
  const here = useRef(true);
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
    };
  }, []);
  const apply = useChange(
    propertyId,
    (insist: boolean) =>
      answer(
        api.POST("/api/properties/{propertyId}/batches", {
          params: { path: { propertyId } },
          body: { selection, spec, asOf: insist ? undefined : figures?.asOf },
        }),
      ),
    "says its problems",
  );
  // What was done is said even where another panel stands here by then.
  const draft = (insist: boolean): Promise<void> =>
    apply.mutateAsync(insist).then(
      ({ batch }) => {
        if (opened) {
          const path = { params: { path: { propertyId, id: opened.id } } };
          api.POST("/api/properties/{propertyId}/edits/{id}/ran", path);
        }
        tell(
          batch
            ? `${of(batch.items, "text")} drafted. ctrl + Z undoes it.`
            : "It is under way; the bar below shows how far.",
        );
        if (here.current) onClose();
      },
      (problem: Error) => conflicts.meet(problem, () => draft(true)),
    );
  const { token, done, complete } = figures ?? {};
  const previewedField = spec.field;
  useEffect(() => {
    onPreview(
      token && previewedField
        ? { token, field: previewedField, done: done ?? 0, complete: complete ?? false }
        : undefined,
    );
  }, [token, done, complete, previewedField, onPreview]);
  useEffect(() => () => onPreview(undefined), [onPreview]);
  const only = TOOLS.find((each) => each.tool === tool)?.only;
  return (
    <SidePanel
      label="Rewrite in bulk"
      title={<span className={css.nowrap}>{of(n, fewer?.thing ?? "item")}</span>}
      width={424}
      onClose={onClose}
      tools={
        <>
          {tool === "written" ? (
            <Button size="compact-xs" variant="subtle" onClick={() => onTool("writer")}>
              Back to the writer
            </Button>
          ) : (
            <NativeSelect
              size="xs"
              aria-label="Tool"
              className={css.choice}
              value={tool}
              data={toolChoice(listings)}
              onChange={(event) => {
                const next = event.currentTarget.value as Tool;
                onTool(next, fieldOf(next, field));
              }}
            />
          )}
          {!only && tool !== "written" && !Form && (
            <NativeSelect
              size="xs"
              aria-label="Field"
              className={css.choice}
              value={field}
              data={[
                { value: "title", label: "of titles" },
                { value: "description", label: "of descriptions" },
                ...(listings
                  ? []
                  : [
                      { value: "h1", label: "of H1s" },
                      { value: "slug", label: "of slugs" },
                      { value: "images", label: "of alt texts" },
                      { value: "links", label: "of link texts" },
                      { value: "og-title", label: "of Open Graph titles" },
                      { value: "og-description", label: "of Open Graph descriptions" },
                    ]),
              ]}
              onChange={(event) => onTool(tool, event.currentTarget.value as Field)}
            />
          )}
        </>
      }
      foot={
        !Form && (
          <>
            {figures && !problem && (
              <Verdict figures={figures} field={spec.field ?? ""} outcome={props.outcome} onOutcome={props.onOutcome} />
            )}
            <Button
              disabled={!figures || !current || figures.changes === 0 || Boolean(problem)}
              loading={apply.isPending}
              onClick={() => draft(false)}
            >
              {figures?.complete ? `Draft ${count(figures.changes)}` : "Draft them"}
            </Button>
            <Button variant="subtle" onClick={onClose}>
              Cancel
            </Button>
          </>
        )
      }
    >
      <ConflictDialog insist="Edit them as they are now" {...conflicts.dialog} />
      {Form ? (
        <Form propertyId={propertyId} selection={selection} listings={listings} onDone={onClose} />
      ) : (
        <>
          <EditForm
            propertyId={propertyId}
            spec={spec}
            listings={listings}
            selection={selection}
            onChange={(next) => {
              setStepping(false);
              if (fewer?.thing === "hit") setFewer(undefined);
              setSpec(next);
            }}
          />
          {tool === "replace" &&
            figures?.complete &&
            figures.changes > 0 &&
            figures.changes <= MOST_HITS &&
            current &&
            !stepping && (
              <Button size="xs" variant="default" className={css.start} onClick={() => setStepping(true)}>
                Step through the {of(figures.changes, "hit")}
              </Button>
            )}
          {stepping && figures && (
            <StepThrough
              propertyId={propertyId}
              token={figures.token}
              field={spec.field}
              onChosen={(ids) => {
                setStepping(false);
                setFewer({ ids, thing: "hit" });
              }}
              onClose={stopStepping}
            />
          )}
          {!UNSAVED.includes(tool) && (
            <SavedEdits
              propertyId={propertyId}
              spec={spec}
              opened={opened}
              onOpen={(edit) => {
                setOpened(edit);
                setFewer(undefined);
                if (edit) setSpec(edit.spec);
              }}
              onNew={(ids) => setFewer({ ids, thing: "new item" })}
            />
          )}
          {problem && (
            <p role="alert" className={css.problem}>
              {problem}
            </p>
          )}
        </>
      )}
    </SidePanel>
  );
}

function isReady(spec: EditSpec) {
  switch (spec.tool) {
    case "replace":
    case "remove-beginning":
    case "remove-ending":
    case "shorten-ending":
    case "remove-block":
      return Boolean(spec.find);
    case "before":
    case "after":
    case "add-block":
    case "blocks":
      return Boolean(spec.with);
    case "year":
      return /^20\d\d$/.test(spec.with ?? "");
    case "add-tags":
    case "remove-tags":
      return (spec.tags?.length ?? 0) > 0;
    case "replace-tag":
      return Boolean(spec.find && spec.with);
    default:
      return true;
  }
}

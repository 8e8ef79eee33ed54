import { Button, Textarea } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { answer, api, type BeforeAfter as Drafted, type DraftedText, type Field, type ItemRow } from "../api/client";
import { ofProperty } from "../api/queries";
import { fieldLabel, isOfParts } from "../parts/fields";
import { count, of } from "../parts/number";
import { partsInWords } from "../parts/partTexts";
import { QueryProblem } from "../parts/QueryProblem";
import { TrueMeasure } from "../parts/TrueMeasure";
import { useLabels } from "../parts/useLabels";
import { WordRuns } from "../parts/WordRuns";
import css from "./BeforeAfter.module.css";

/** The size that texts are drawn at, in px, so that a desktop's title and some more has room in the panel. */
const SIZE = 12;

interface Props {
  propertyId: number;
  item: ItemRow;
  busy: boolean;
  /** Whether a note is being written, such as with the key S. */
  noting: boolean;
  onNoting: (noting: boolean) => void;
  onDecide: (state: "approved" | "sent-back", note: string) => void;
}

/** What the drafts of an item make of it, and the decision about them. */
export function BeforeAfter({ propertyId, item, busy, noting, onNoting, onDecide }: Props) {
  const [note, setNote] = useState("");
  // biome-ignore lint/correctness/useExhaustiveDependencies: a note is of one item only
  useEffect(() => setNote(""), [item.id]);
  const found = useQuery({
    queryKey: ofProperty(propertyId, "before-after", item.id),
    queryFn: () => answer(api.GET("/api/items/{id}/before-after", { params: { path: { id: item.id } } })),
    meta: { shown: true },
  });
  if (found.error) return <QueryProblem query={found} />;
  const drafted = found.data;
  if (!drafted || drafted.texts.length === 0) return null;
  const open = drafted.texts.some(({ state }) => state === "drafted" || state === "sent-back" || state === "approved");
  return (
    <section className={css.drafted} aria-label="Before and after">
      {drafted.texts.map((text) => (
        <Text key={text.field} text={text} />
      ))}
      <Effects propertyId={propertyId} drafted={drafted} />
      {open && !noting && (
        <div className={css.buttons}>
          <Button size="xs" loading={busy} onClick={() => onDecide("approved", "")}>
            Approve <kbd>A</kbd>
          </Button>
          <Button size="xs" variant="default" disabled={busy} onClick={() => onNoting(true)}>
            Send back … <kbd>S</kbd>
          </Button>
        </div>
      )}
      {open && noting && (
        <form
          className={css.note}
          aria-label="Send back"
          onSubmit={(event) => {
            event.preventDefault();
            onDecide("sent-back", note.trim());
          }}
        >
          <Textarea
            label="Note"
            placeholder="What should be different"
            autosize
            minRows={2}
            maxLength={2_000}
            data-autofocus
            ref={(box) => box?.focus()}
            value={note}
            onChange={(event) => setNote(event.currentTarget.value)}
            onKeyDown={(event) => {
              if (event.key === "Enter" && (event.ctrlKey || event.metaKey)) event.currentTarget.form?.requestSubmit();
              if (event.key === "Escape") onNoting(false);
            }}
          />
          <div className={css.buttons}>
            <Button size="xs" type="submit" loading={busy}>
              Send back
            </Button>
            <Button size="xs" variant="subtle" onClick={() => onNoting(false)}>
              Cancel
            </Button>
          </div>
        </form>
      )}
    </section>
  );
}

function Text({ text }: { text: DraftedText }) {
  const ofParts = isOfParts(text.field as Field);
  const { beforeFit, afterFit } = text;
  return (
    <div className={css.text}>
      <h3>
        {fieldLabel(text.field)}{" "}
        <small>{text.state === "released" ? "in a release" : text.state.replace("-", " ")}</small>
      </h3>
      {ofParts ? (
        <p className={css.lines}>{partsInWords(text.after)}</p>
      ) : (
        <>
          <p className={css.words}>
            <WordRuns runs={text.words} />
          </p>
          {beforeFit && afterFit && (
            <dl>
              <dt>before: {measured(beforeFit)}</dt>
              <dd className={css.old}>
                {text.before ? <TrueMeasure text={text.before} fit={beforeFit} size={SIZE} /> : "none"}
              </dd>
              <dt>after: {measured(afterFit)}</dt>
              <dd>{text.after ? <TrueMeasure text={text.after} fit={afterFit} size={SIZE} /> : "none"}</dd>
            </dl>
          )}
        </>
      )}
    </div>
  );
}

const measured = (fit: NonNullable<DraftedText["afterFit"]>) =>
  `${Math.round(fit.px)} px, ${of(fit.chars, "character")}${fit.says ? `, ${fit.says}` : ""}`;

/** What is found no longer and what only now, and what that is worth. */
function Effects({ propertyId, drafted }: { propertyId: number; drafted: Drafted }) {
  const labelOf = useLabels(propertyId);
  const named = (checks: Drafted["gone"]) => checks.map(({ field, check }) => labelOf(field, check)).join(", ");
  const won = Math.round(drafted.before.clicks - drafted.after.clicks);
  if (drafted.gone.length === 0 && drafted.come.length === 0 && won === 0) {
    return <p className={css.effects}>The same is found with the drafts as without.</p>;
  }
  return (
    <dl className={css.effects}>
      {drafted.gone.length > 0 && (
        <>
          <dt>fixed</dt>
          <dd>{named(drafted.gone)}</dd>
        </>
      )}
      {drafted.come.length > 0 && (
        <>
          <dt>new</dt>
          <dd className={css.come}>{named(drafted.come)}</dd>
        </>
      )}
      {won !== 0 && (
        <>
          <dt>clicks a month</dt>
          <dd className={css.won}>
            {won > 0 ? `${count(won)} won back` : `${count(-won)} more at stake`} (at stake before:{" "}
            {count(Math.round(drafted.before.clicks))})
          </dd>
        </>
      )}
    </dl>
  );
}

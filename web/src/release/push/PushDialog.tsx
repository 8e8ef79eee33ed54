import { Button, Checkbox, Modal, NumberInput } from "@mantine/core";
import { useState } from "react";
import { answer, api, type LineState, type PushView, type Selection } from "../../api/client";
import { useChange } from "../../api/queries";
import { count, dayAndTime, of } from "../../parts/number";
import { tell } from "../../parts/tell";
import css from "./Push.module.css";
import { PushLines } from "./PushLines";
import { itemsIn, nameOf, STATES, textsIn } from "./states";

interface Props {
  propertyId: number;
  push: PushView;
  /** The items that are selected in the table; null for none. */
  selected: Selection | null;
  onClose: () => void;
}

const MOST_FIRST = 20;

/** A release on its way to the content system: how far it is, what can be done with it, and each of its texts. */
export function PushDialog({ propertyId, push, selected, onClose }: Props) {
  const { release } = push;
  const path = { params: { path: { handoverId: release.id } } };
  const [shown, setShown] = useState<LineState>();
  const [asking, setAsking] = useState<"return" | "give-up">();
  const run = useChange(propertyId, (body: { few?: number; rehearsal: boolean }) =>
    answer(api.POST("/api/pushes/{handoverId}/runs", { ...path, body })),
  );
  const resume = useChange(propertyId, () => answer(api.POST("/api/pushes/{handoverId}/resume", path)));
  const pause = useChange(propertyId, (id: number) =>
    answer(api.POST("/api/jobs/{id}/stop", { params: { path: { id } } })),
  );
  const [onlySelected, setOnlySelected] = useState(false);
  const part = onlySelected && selected !== null;
  const back = useChange(propertyId, () =>
    answer(
      api.POST("/api/pushes/{handoverId}/return", { ...path, body: part && selected ? { selection: selected } : {} }),
    ),
  );
  const giveUp = useChange(propertyId, () => answer(api.POST("/api/pushes/{handoverId}/give-up", path)));
  const again = useChange(propertyId, () =>
    answer(api.POST("/api/pushes/{handoverId}/decisions", { ...path, body: { wish: "AGAIN" } })),
  );
  const waiting = textsIn(push, "waiting", "sending");
  const returning = textsIn(push, "returning", "restoring");
  const pushed = textsIn(push, "pushed");
  const failed = textsIn(push, "refused", "failed");
  const open = waiting + failed + textsIn(push, "changed");
  const busy = run.isPending || resume.isPending || back.isPending || giveUp.isPending || again.isPending;
  const items = itemsIn(push, "waiting", "sending");
  const [wanted, setWanted] = useState<number>();
  const few = Math.min(wanted ?? Math.min(MOST_FIRST, Math.ceil(items / 5)), items);
  return (
    <Modal opened onClose={onClose} size="min(1160px, 96vw)" title={nameOf(release)}>
      <div className={css.dialog}>
        <p className={css.lead}>
          {of(release.texts, "text")} of {of(release.items, "item")}, put together on {dayAndTime(release.created)}
          {release.reason && <>. {release.reason}</>}
        </p>
        <Bar push={push} shown={shown} onShow={setShown} />
        {push.says && !push.underWay && (
          <p className={css.says} role="status">
            {push.says}
          </p>
        )}
        <div className={css.actions}>
          {push.underWay && (
            <Button
              variant="default"
              loading={pause.isPending}
              onClick={() => push.jobId !== null && pause.mutate(push.jobId)}
            >
              Pause
            </Button>
          )}
          {!push.underWay && returning > 0 && (
            <Button loading={resume.isPending} disabled={busy} onClick={() => resume.mutate(undefined)}>
              Go on taking back {count(returning)}
            </Button>
          )}
          {!push.underWay && returning === 0 && waiting > 0 && (
            <>
              <Button loading={run.isPending} disabled={busy} onClick={() => run.mutate({ rehearsal: false })}>
                {pushed > 0 ? `Push the other ${count(waiting)}` : `Push all ${count(waiting)}`}
              </Button>
              {items > 1 && (
                <span className={css.few}>
                  <Button variant="default" disabled={busy} onClick={() => run.mutate({ few, rehearsal: false })}>
                    Push a few first
                  </Button>
                  <NumberInput
                    aria-label="How many items first"
                    min={1}
                    max={items}
                    value={few}
                    onChange={(value) => typeof value === "number" && setWanted(value)}
                  />
                  <small>of {of(items, "item")}, evenly over the sections</small>
                </span>
              )}
              <Button variant="default" disabled={busy} onClick={() => run.mutate({ rehearsal: true })}>
                Dry run
              </Button>
            </>
          )}
          {!push.underWay && failed > 0 && (
            <Button
              variant="default"
              disabled={busy}
              onClick={() =>
                again.mutate(undefined, {
                  onSuccess: ({ texts }) => tell(`${of(texts ?? 0, "text")} waiting again; push them.`),
                })
              }
            >
              Try {count(failed)} again
            </Button>
          )}
          {!push.underWay && pushed > 0 && returning === 0 && (
            <Button variant="default" disabled={busy} onClick={() => setAsking("return")}>
              Take back …
            </Button>
          )}
          {!push.underWay && open > 0 && (
            <Button variant="subtle" disabled={busy} onClick={() => setAsking("give-up")}>
              Give up the rest …
            </Button>
          )}
        </div>
        {asking && (
          <div className={css.ask} role="alertdialog" aria-label="Are you sure?">
            <p>
              {asking === "return"
                ? `Put back what was there before these ${of(pushed, "text")} were pushed? What somebody changed since stays, and is shown.`
                : `Leave out the ${of(open, "text")} that were not pushed? Their drafts are approved as before, for another release.`}
            </p>
            {asking === "return" && selected && (
              <Checkbox
                label="Only the items selected in the table"
                checked={onlySelected}
                onChange={(event) => setOnlySelected(event.currentTarget.checked)}
              />
            )}
            <Button
              onClick={() => {
                setAsking(undefined);
                (asking === "return" ? back : giveUp).mutate(undefined);
              }}
            >
              {asking === "give-up"
                ? `Give up ${count(open)}`
                : part
                  ? "Take these back"
                  : `Take back ${count(pushed)}`}
            </Button>
            <Button variant="subtle" onClick={() => setAsking(undefined)}>
              Cancel
            </Button>
          </div>
        )}
        <PushLines propertyId={propertyId} push={push} shown={shown} />
      </div>
    </Modal>
  );
}

/** How many texts are where: a bar, and under it the words that it is read by. */
function Bar({
  push,
  shown,
  onShow,
}: {
  push: PushView;
  shown?: LineState;
  onShow: (state: LineState | undefined) => void;
}) {
  const there = STATES.filter(({ state }) => (push.texts[state] ?? 0) > 0);
  return (
    <div>
      <div className={css.bar} aria-hidden="true">
        {there.map(({ state }) => (
          <span key={state} data-state={state} style={{ flexGrow: push.texts[state] }} />
        ))}
      </div>
      <ul className={css.states} aria-label="Texts by state">
        {there.map(({ state, says }) => (
          <li key={state}>
            <button
              type="button"
              aria-pressed={shown === state}
              onClick={() => onShow(shown === state ? undefined : state)}
            >
              <i data-state={state} aria-hidden="true" />
              <b>{count(push.texts[state] ?? 0)}</b> {says}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

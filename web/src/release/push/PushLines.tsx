import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type LineState, type PushLine, type PushView } from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { fieldLabel } from "../../parts/fields";
import { count, pathOf } from "../../parts/number";
import { QueryProblem } from "../../parts/QueryProblem";
import css from "./Push.module.css";
import { stateInWords, textsIn } from "./states";

const AT_ONCE = 100;
const OPEN: LineState[] = ["changed", "changed-since", "refused", "failed"];

interface Props {
  propertyId: number;
  push: PushView;
  /** The state whose texts are shown; without one those that need a person, else all. */
  shown?: LineState;
}

/** The texts of a release: what the draft was made from, what is there now, and ours. */
export function PushLines({ propertyId, push, shown }: Props) {
  const [limit, setLimit] = useState(AT_ONCE);
  const needed = OPEN.filter((state) => textsIn(push, state) > 0);
  const states = shown ? [shown] : needed;
  const handoverId = push.release.id;
  const lines = useQuery({
    queryKey: ofProperty(propertyId, "push-lines", handoverId, states, limit, push.texts),
    queryFn: () =>
      answer(
        api.GET("/api/pushes/{handoverId}/lines", {
          params: { path: { handoverId }, query: { state: states, limit } },
        }),
      ),
    placeholderData: (before) => before,
  });
  const decide = useChange(
    propertyId,
    (decision: { wish: "OURS" | "THEIRS"; itemIds?: number[]; field?: PushLine["field"] }) =>
      answer(api.POST("/api/pushes/{handoverId}/decisions", { params: { path: { handoverId } }, body: decision })),
  );
  const back = useChange(propertyId, (itemId: number) =>
    answer(
      api.POST("/api/pushes/{handoverId}/return", {
        params: { path: { handoverId } },
        body: { selection: { ids: [itemId] } },
      }),
    ),
  );
  const clashes = textsIn(push, "changed", "changed-since");
  const total = states.length > 0 ? textsIn(push, ...states) : push.release.texts;
  return (
    <section aria-label="Texts">
      <header className={css.linesHead}>
        <h3>{shown ? `${count(total)} ${stateInWords(shown)}` : needed.length > 0 ? "What needs you" : "All texts"}</h3>
        {clashes > 1 && !push.underWay && (!shown || shown === "changed" || shown === "changed-since") && (
          <>
            <Button
              size="xs"
              variant="default"
              loading={decide.isPending}
              onClick={() => decide.mutate({ wish: "OURS" })}
            >
              Ours for all {count(clashes)}
            </Button>
            <Button
              size="xs"
              variant="default"
              loading={decide.isPending}
              onClick={() => decide.mutate({ wish: "THEIRS" })}
            >
              Theirs for all {count(clashes)}
            </Button>
          </>
        )}
      </header>
      {lines.error && <QueryProblem query={lines} />}
      <ul className={css.lines}>
        {lines.data?.map((line) => (
          <Line
            key={`${line.itemId} ${line.field}`}
            line={line}
            idle={!push.underWay && !decide.isPending && !back.isPending}
            onDecide={(wish) => decide.mutate({ wish, itemIds: [line.itemId], field: line.field })}
            onReturn={shown === "pushed" ? () => back.mutate(line.itemId) : undefined}
          />
        ))}
      </ul>
      {lines.data && lines.data.length < total && limit < 500 && (
        <Button size="xs" variant="subtle" onClick={() => setLimit(limit + AT_ONCE)}>
          Show more of {count(total)}
        </Button>
      )}
    </section>
  );
}

function Line({
  line,
  idle,
  onDecide,
  onReturn,
}: {
  line: PushLine;
  idle: boolean;
  onDecide: (wish: "OURS" | "THEIRS") => void;
  /** Takes the texts of its item back. */
  onReturn?: () => void;
}) {
  const clash = line.state === "changed" || line.state === "changed-since";
  return (
    <li>
      <span className={css.where} title={line.address}>
        <b>{pathOf(line.address)}</b>
        <small>
          {fieldLabel(line.field)}, {stateInWords(line.state)}
        </small>
      </span>
      <dl>
        <dt>{line.state === "returned" ? "ours" : "before"}</dt>
        <dd className={css.old}>{(line.state === "returned" ? line.after : line.before) || "none"}</dd>
        {clash && (
          <>
            <dt>there now</dt>
            <dd>{line.found || "none"}</dd>
          </>
        )}
        <dt>{line.state === "returned" ? "there again" : "ours"}</dt>
        <dd>{(line.state === "returned" ? line.was : line.after) || "none"}</dd>
        {line.note && (
          <>
            <dt>why</dt>
            <dd className={css.note}>{line.note}</dd>
          </>
        )}
      </dl>
      {onReturn && idle && (
        <span className={css.decide}>
          <Button size="xs" variant="default" onClick={onReturn}>
            Take back
          </Button>
        </span>
      )}
      {clash && idle && (
        <span className={css.decide}>
          <Button size="xs" onClick={() => onDecide("OURS")}>
            {line.state === "changed" ? "Ours" : "Take back all the same"}
          </Button>
          <Button size="xs" variant="default" onClick={() => onDecide("THEIRS")}>
            {line.state === "changed" ? "Theirs" : "Leave it"}
          </Button>
        </span>
      )}
    </li>
  );
}

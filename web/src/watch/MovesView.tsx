import { Button, Modal, NativeSelect, Textarea } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { answer, api, type MoveRow } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { TableLinks } from "../parts/FileLink";
import { count, day, of, pathOf } from "../parts/number";
import { QueryProblem } from "../parts/QueryProblem";
import { useSearchChange } from "../parts/useSearchChange";
import css from "./Watch.module.css";

/** Sudden moves of positions, clicks and impressions, with what happened near them and what can be done. */
export function MovesView({ propertyId }: { propertyId: number }) {
  const [search] = useSearchParams();
  const change = useSearchChange();
  const weeks = Number(search.get("weeks") ?? 26);
  const aside = search.get("aside") === "true";
  const [asking, setAsking] = useState<MoveRow>();
  const found = useQuery({
    queryKey: ofProperty(propertyId, "watch-moves", weeks, aside),
    queryFn: () =>
      answer(
        api.GET("/api/properties/{propertyId}/watch/moves", {
          params: { path: { propertyId }, query: { weeks, aside } },
        }),
      ),
    placeholderData: (before) => before,
  });
  if (found.error) return <QueryProblem query={found} className={css.view} />;
  if (!found.data) return <div className={css.view} aria-busy />;
  const moves = found.data as MoveRow[];
  const most = Math.max(1, ...moves.map((move) => Math.abs(move.level.clicksPerMonth)));
  return (
    <div className={css.view}>
      <header className={css.head}>
        <h1>Sudden moves</h1>
        <p>Lasting changes beyond season and noise; a week that comes back is none.</p>
        <TableLinks csv={`/api/properties/${propertyId}/watch/moves.csv?weeks=${weeks}`} />
      </header>
      <div className={css.controls}>
        <NativeSelect
          label="In the last"
          value={String(weeks)}
          onChange={(event) => change({ weeks: event.currentTarget.value })}
          data={["8", "26", "70"].map((value) => ({ value, label: `${value} weeks` }))}
        />
        <NativeSelect
          label="Show"
          value={String(aside)}
          onChange={(event) => change({ aside: event.currentTarget.value })}
          data={[
            { value: "false", label: "to look at" },
            { value: "true", label: "set aside" },
          ]}
        />
      </div>
      {moves.length === 0 ? (
        <p className={css.soft}>
          {aside ? "Nothing is set aside." : `Nothing moved suddenly in the last ${weeks} weeks.`}
        </p>
      ) : (
        <ol className={css.rows}>
          {moves.map((move) => (
            <li key={move.key} className={css.move}>
              <time dateTime={move.day}>{day(move.day)}</time>
              <div>
                <h3>{headline(move)}</h3>
                <p>{detail(move)}</p>
                {move.near.length > 0 && (
                  <ul aria-label="Near it">
                    {move.near.map((event) => (
                      <li key={`${event.kind} ${event.text}`}>
                        {day(event.day)}: {event.text}
                      </li>
                    ))}
                  </ul>
                )}
                {move.aside && <p className={css.soft}>Set aside: {move.aside}</p>}
                <Actions propertyId={propertyId} move={move} onAside={() => setAsking(move)} />
              </div>
              <div className={css.clicks}>
                <b>
                  {move.level.clicksPerMonth >= 0 ? "+" : "−"}
                  {count(Math.abs(Math.round(move.level.clicksPerMonth)))}
                </b>
                <small>clicks a month</small>
                <i
                  data-lost={move.level.clicksPerMonth < 0}
                  style={{ width: `${(Math.abs(move.level.clicksPerMonth) / most) * 100}%` }}
                />
              </div>
            </li>
          ))}
        </ol>
      )}
      {asking && <AsideForm propertyId={propertyId} move={asking} onClose={() => setAsking(undefined)} />}
    </div>
  );
}

const subject = (move: MoveRow) => {
  if (move.spread === "all") return "The whole property";
  if (move.spread === "group") return move.side === "items" ? `Section ${move.name}` : `Topic ${move.name}`;
  return move.side === "items" ? pathOf(move.name) : `“${move.name}”`;
};

const headline = (move: MoveRow) => `${subject(move)} ${move.says}`;

function detail(move: MoveRow) {
  const { noises, series, of: judged } = move.level;
  const sure = `${noises.toFixed(0)} times as large as chance makes it`;
  if (move.spread === "one") return sure;
  const things = move.side === "items" ? "items" : "queries";
  return `${count(series)} of ${of(judged, things.slice(0, -1), things)} moved together; ${sure}`;
}

/** What can be done about a move, each where it is done. */
function Actions({ propertyId, move, onAside }: { propertyId: number; move: MoveRow; onAside: () => void }) {
  const again = useChange(propertyId, (key: string) =>
    answer(
      api.POST("/api/properties/{propertyId}/watch/moves/again", { params: { path: { propertyId } }, body: { key } }),
    ),
  );
  const items = move.moved.flatMap((each) => each.itemId ?? []);
  const release = move.near.find((event) => event.kind === "release");
  const page = move.near.some((event) => event.kind === "page" || event.kind === "index");
  const base = `/p/${propertyId}`;
  const code =
    move.side === "queries"
      ? `query:${move.moved[0].name}`
      : move.spread === "group"
        ? `section:${move.name}`
        : items.length > 0
          ? `item:${items[0]}`
          : "all";
  return (
    <div className={css.actions}>
      <Link to={`${base}/watch?view=course&figure=${move.what}&of=${encodeURIComponent(code)}`}>See it over time</Link>
      {release && !move.better && <Link to={`${base}/release`}>Put the old texts back</Link>}
      {page && <Link to={`${base}/gather/compare`}>See what changed</Link>}
      {move.side === "items" && items.length > 0 && !move.better && (
        <Link
          to={`${base}/rewrite?q=${encodeURIComponent(move.spread === "one" ? move.name : "")}${move.spread === "group" ? `&section=${encodeURIComponent(move.name)}` : ""}`}
        >
          Open in Rewrite
        </Link>
      )}
      {move.side === "queries" && (
        <Link to={`${base}/aim?q=${encodeURIComponent(move.moved[0].name)}`}>Which item aims at it</Link>
      )}
      {move.aside === null ? (
        <button type="button" className={css.quiet} onClick={onAside}>
          Set aside
        </button>
      ) : (
        <button type="button" className={css.quiet} onClick={() => again.mutate(move.key)}>
          Take up again
        </button>
      )}
    </div>
  );
}

function AsideForm({ propertyId, move, onClose }: { propertyId: number; move: MoveRow; onClose: () => void }) {
  const everywhere = move.near.some((event) => event.kind === "market");
  const [reason, setReason] = useState(everywhere ? "Other properties moved, too" : "");
  const put = useChange(propertyId, (body: { key: string; reason: string }) =>
    answer(api.POST("/api/properties/{propertyId}/watch/moves/aside", { params: { path: { propertyId } }, body })),
  );
  return (
    <Modal opened onClose={onClose} title="Set aside">
      <form
        style={{ display: "grid", gap: 12 }}
        onSubmit={(event) => {
          event.preventDefault();
          put.mutate({ key: move.key, reason }, { onSuccess: onClose });
        }}
      >
        <p style={{ margin: 0 }}>{headline(move)}</p>
        <Textarea
          label="Why it needs nobody"
          data-autofocus
          required
          maxLength={1000}
          value={reason}
          onChange={(event) => setReason(event.currentTarget.value)}
        />
        <Button type="submit" loading={put.isPending}>
          Set aside
        </Button>
      </form>
    </Modal>
  );
}

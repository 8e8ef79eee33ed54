import { Button, Modal, Textarea, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, type Due } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { FileLink } from "../parts/FileLink";
import { day, of } from "../parts/number";
import { QueryProblem } from "../parts/QueryProblem";
import { tellWithUndo } from "../parts/tell";
import css from "./Watch.module.css";

type State = "DONE" | "LATER" | "NEVER";

/** What is due and what will be: reminders that make themselves, and review lists. */
export function DueView({ propertyId }: { propertyId: number }) {
  const [later, setLater] = useState<Due>();
  const found = useQuery({
    queryKey: ofProperty(propertyId, "watch-due"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/watch/due", { params: { path: { propertyId } } })),
  });
  const decide = useChange(propertyId, (body: { key: string; state: State; until?: string; note?: string }) =>
    answer(api.POST("/api/properties/{propertyId}/watch/due/decide", { params: { path: { propertyId } }, body })),
  );
  const again = useChange(propertyId, (key: string) =>
    answer(
      api.POST("/api/properties/{propertyId}/watch/due/again", { params: { path: { propertyId } }, body: { key } }),
    ),
  );
  if (found.error) return <QueryProblem query={found} className={css.view} />;
  if (!found.data) return <div className={css.view} aria-busy />;
  const all = found.data as Due[];
  const due = all.filter((each) => each.due);
  const end = (each: Due, state: State) =>
    decide.mutate(
      { key: each.key, state },
      {
        onSuccess: () =>
          tellWithUndo(state === "DONE" ? "Done." : "It will not come up again.", () => again.mutate(each.key)),
      },
    );
  const row = (each: Due) => (
    <li key={each.key} className={css.due} data-due={each.due}>
      <time dateTime={each.day}>{day(each.day)}</time>
      <span>
        <Link to={`/p/${propertyId}/${each.place}`}>{each.text}</Link>
        {each.note && <small>{each.note}</small>}
      </span>
      <span className={css.actions} style={{ marginTop: 0 }}>
        <button type="button" className={css.quiet} onClick={() => end(each, "DONE")}>
          Done
        </button>
        <button type="button" className={css.quiet} onClick={() => setLater(each)}>
          Later
        </button>
        <button type="button" className={css.quiet} onClick={() => end(each, "NEVER")}>
          Never
        </button>
      </span>
    </li>
  );
  return (
    <div className={css.view}>
      <header className={css.head}>
        <h1>{due.length === 0 ? "Nothing is due" : `${of(due.length, "thing")} to look at now`}</h1>
        <FileLink href={`/api/properties/${propertyId}/watch/due.ics`} label="Calendar file" />
      </header>
      {due.length > 0 && <ol className={css.rows}>{due.map(row)}</ol>}
      {all.length > due.length && (
        <section>
          <h2>Later on</h2>
          <ol className={css.rows}>{all.filter((each) => !each.due).map(row)}</ol>
        </section>
      )}
      {all.length === 0 && (
        <p className={css.soft}>
          Reminders make themselves: three months after a release, before a season, when a young item can be judged,
          when a better keyword has come near, when demand was not fetched for a month. Review lists of Aim stand here,
          too.
        </p>
      )}
      {later && (
        <LaterForm
          due={later}
          onClose={() => setLater(undefined)}
          onLater={(until, note) =>
            decide.mutate({ key: later.key, state: "LATER", until, note }, { onSuccess: () => setLater(undefined) })
          }
        />
      )}
    </div>
  );
}

function LaterForm({
  due,
  onClose,
  onLater,
}: {
  due: Due;
  onClose: () => void;
  onLater: (until: string, note: string) => void;
}) {
  const [until, setUntil] = useState("");
  const [note, setNote] = useState(due.note ?? "");
  return (
    <Modal opened onClose={onClose} title="Come back to it later">
      <form
        style={{ display: "grid", gap: 12 }}
        onSubmit={(event) => {
          event.preventDefault();
          onLater(until, note);
        }}
      >
        <p style={{ margin: 0 }}>{due.text}</p>
        <TextInput
          type="date"
          label="On"
          required
          data-autofocus
          value={until}
          onChange={(event) => setUntil(event.currentTarget.value)}
        />
        <Textarea label="Note" maxLength={1000} value={note} onChange={(event) => setNote(event.currentTarget.value)} />
        <Button type="submit">Remind me then</Button>
      </form>
    </Modal>
  );
}

import { Button, Checkbox, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, type TopicRow } from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { count, of, pathOf } from "../../parts/number";
import { QueryProblem } from "../../parts/QueryProblem";
import { SidePanel } from "../../parts/SidePanel";
import { searchOf } from "../../parts/searchOf";
import { tell } from "../../parts/tell";
import css from "../keywords/KeywordCloseUp.module.css";
import { WordsOfOthers } from "./WordsOfOthers";

const MOST = 200;

/** A topic: its keywords, which can be taken out of it, and the words that go with it. */
export function TopicCloseUp({ propertyId, row, onClose }: { propertyId: number; row: TopicRow; onClose: () => void }) {
  const [out, setOut] = useState<number[]>([]);
  const [name, setName] = useState("");
  const keywords = useQuery({
    queryKey: ofProperty(propertyId, "topic-keywords", row.topic),
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/properties/{propertyId}/keywords", {
          params: { path: { propertyId }, query: { topic: row.topic, count: MOST } },
          signal,
        }),
      ),
  });
  const words = useQuery({
    queryKey: ofProperty(propertyId, "topic-words", row.topic),
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/properties/{propertyId}/topics/words", {
          params: { path: { propertyId }, query: { topic: row.topic } },
          signal,
        }),
      ),
  });
  const split = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/topics/split", {
        params: { path: { propertyId } },
        body: { topic: row.topic, ids: out, name: name.trim() },
      }),
    ),
  );
  const again = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/keywords/topic", {
        params: { path: { propertyId } },
        body: { selection: { filter: { topic: row.topic } }, topic: "" },
      }),
    ),
  );
  const choose = (id: number, on: boolean) => setOut(on ? [...out, id] : out.filter((each) => each !== id));
  return (
    <SidePanel label={`Topic ${row.topic}`} title={row.topic} onClose={onClose}>
      <p className={css.soft}>
        {of(row.keywords, "keyword")} with {count(row.volume)} searches a month; {of(row.items, "item")}{" "}
        {row.items === 1 ? "serves" : "serve"} {count(row.withItem)} of them.{" "}
        <Link to={`/p/${propertyId}/aim?${searchOf({ topic: row.topic })}`}>See them in the table</Link>
      </p>
      <ul className={css.choices}>
        {keywords.data?.rows.map((keyword) => (
          <li key={keyword.id}>
            <Checkbox
              size="xs"
              label={keyword.phrase}
              checked={out.includes(keyword.id)}
              onChange={(event) => choose(keyword.id, event.currentTarget.checked)}
            />
            <span className={css.soft}>{keyword.address ? pathOf(keyword.address) : "no item"}</span>
            <span className={css.score}>{keyword.volume === null ? "" : count(keyword.volume)}</span>
          </li>
        ))}
      </ul>
      {keywords.data && keywords.data.total > MOST && (
        <p className={css.soft}>and {count(keywords.data.total - MOST)} more in the table.</p>
      )}
      {out.length > 0 && (
        <form
          className={css.form}
          onSubmit={(event) => {
            event.preventDefault();
            split.mutate(undefined, {
              onSuccess: () => {
                tell(`${of(out.length, "keyword")} taken out of “${row.topic}”, into “${name.trim()}”.`);
                setOut([]);
                setName("");
              },
            });
          }}
        >
          <TextInput
            size="xs"
            label={`A topic of their own for ${of(out.length, "keyword")}`}
            value={name}
            onChange={(event) => setName(event.currentTarget.value)}
          />
          <Button type="submit" size="xs" disabled={name.trim() === ""} loading={split.isPending}>
            Take them out
          </Button>
        </form>
      )}
      {row.byHand > 0 && (
        <p>
          <Button size="compact-xs" variant="default" loading={again.isPending} onClick={() => again.mutate()}>
            Work this topic out again
          </Button>
        </p>
      )}
      {words.error && <QueryProblem query={words} className={css.soft} />}
      {words.data && (
        <WordsOfOthers
          words={words.data}
          pages={(n) => `Words of the ${of(n, "page")} that fit it`}
          nothing="No page of the property fits it, and no query of theirs is known."
        />
      )}
    </SidePanel>
  );
}

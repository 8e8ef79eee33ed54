import { Button, NativeSelect, TextInput } from "@mantine/core";
import { useState } from "react";
import { answer, api, type KeywordFilter } from "../../api/client";
import { useChange } from "../../api/queries";
import { BatchBar } from "../../parts/BatchBar";
import type { Choice } from "../../parts/choice";
import { ListDialog } from "../../parts/ListDialog";
import { of } from "../../parts/number";
import { tell, tellWithUndo } from "../../parts/tell";

const INTENTS = ["NAVIGATIONAL", "TRANSACTIONAL", "COMMERCIAL", "INFORMATIONAL"] as const;

/** What can be done with all chosen keywords. */
export function KeywordBatch({
  propertyId,
  choice,
  filter,
  total,
}: {
  propertyId: number;
  choice: Choice;
  filter: KeywordFilter;
  total: number;
}) {
  const [topic, setTopic] = useState("");
  const [listing, setListing] = useState(false);
  const selection = choice.selection(filter);
  const path = { params: { path: { propertyId } } };
  const restore = useChange(propertyId, (ids: number[]) =>
    answer(api.POST("/api/properties/{propertyId}/keywords/restore", { ...path, body: { ids } })),
  );
  const remove = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/keywords/remove", { ...path, body: selection })),
  );
  const keep = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/keywords/keep", { ...path, body: selection })),
  );
  const move = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/keywords/topic", { ...path, body: { selection, topic } })),
  );
  const settle = useChange(propertyId, (intent: (typeof INTENTS)[number] | undefined) =>
    answer(
      api.POST("/api/properties/{propertyId}/keywords/intent", {
        ...path,
        body: { selection, intent },
      }),
    ),
  );
  const n = choice.count(total);
  const done = (what: string) => ({
    onSuccess: () => {
      tell(`${of(n, "keyword")} ${what}.`);
      choice.none();
    },
  });
  return (
    <BatchBar n={n} thing="keyword" onNone={choice.none}>
      <TextInput
        size="xs"
        w={150}
        aria-label="Topic for the selected keywords"
        placeholder="a topic, or none"
        value={topic}
        onChange={(event) => setTopic(event.currentTarget.value)}
      />
      <Button
        size="xs"
        variant="default"
        loading={move.isPending}
        onClick={() => move.mutate(undefined, done(topic.trim() ? `put under “${topic.trim()}”` : "sorted again"))}
      >
        Put under topic
      </Button>
      <NativeSelect
        size="xs"
        w={110}
        aria-label="Intent for the selected keywords"
        value=""
        onChange={(event) => {
          const intent = event.currentTarget.value;
          settle.mutate(
            INTENTS.find((each) => each === intent),
            done("given an intent"),
          );
        }}
        data={[
          { value: "", label: "Intent …" },
          ...INTENTS.map((intent) => ({ value: String(intent), label: intent.toLowerCase() })),
          { value: "again", label: "by rule again" },
        ]}
      />
      <Button
        size="xs"
        variant="default"
        loading={keep.isPending}
        onClick={() => keep.mutate(undefined, done("kept with the item they have"))}
      >
        Keep their items
      </Button>
      <Button size="xs" variant="default" onClick={() => setListing(true)}>
        Put on a list
      </Button>
      <Button
        size="xs"
        variant="default"
        loading={remove.isPending}
        onClick={() =>
          remove.mutate(undefined, {
            onSuccess: ({ ids }) => {
              tellWithUndo(`${of(ids.length, "keyword")} removed.`, () => restore.mutate(ids));
              choice.none();
            },
          })
        }
      >
        Remove
      </Button>
      {listing && (
        <ListDialog
          propertyId={propertyId}
          listed={{ selection }}
          onClose={(listed) => {
            setListing(false);
            if (listed) choice.none();
          }}
        />
      )}
    </BatchBar>
  );
}

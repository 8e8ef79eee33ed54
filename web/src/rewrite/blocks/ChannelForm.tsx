import { Button, CopyButton, NumberInput, Textarea } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ChannelText } from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { count } from "../../parts/number";
import css from "./Blocks.module.css";

/** What the shop or channel says of itself, with the same blocks below, under its own limits. */
export function ChannelForm({ propertyId }: { propertyId: number }) {
  const path = { params: { path: { propertyId } } };
  const key = ofProperty(propertyId, "blocks", "channel");
  const { data } = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/blocks/channel", path)),
  });
  const [typed, setTyped] = useState<Partial<ChannelText>>({});
  const save = useChange(propertyId, (text: ChannelText) =>
    answer(api.PUT("/api/properties/{propertyId}/blocks/channel", { ...path, body: text })),
  );
  if (!data) return null;
  const text = { ...data.text, ...typed };
  const changed = Object.keys(typed).length > 0;
  return (
    <details className={css.channel}>
      <summary>What the shop or channel says of itself</summary>
      <form
        className={css.form}
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate(text, { onSuccess: () => setTyped({}) });
        }}
      >
        <Textarea
          label="Description"
          description="The blocks follow below it; of the last one as many sentences as fit."
          autosize
          minRows={3}
          maxRows={10}
          value={text.description}
          onChange={(event) => setTyped({ ...typed, description: event.currentTarget.value })}
        />
        <Textarea
          label="Keywords"
          autosize
          minRows={2}
          maxRows={6}
          value={text.keywords}
          onChange={(event) => setTyped({ ...typed, keywords: event.currentTarget.value })}
        />
        <div className={css.row}>
          <NumberInput
            min={1}
            max={20_000}
            label="Description, at most"
            value={text.maxChars}
            onChange={(max) => typeof max === "number" && setTyped({ ...typed, maxChars: max })}
          />
          <NumberInput
            min={1}
            max={20_000}
            label="Keywords, at most"
            value={text.maxKeywordChars}
            onChange={(max) => typeof max === "number" && setTyped({ ...typed, maxKeywordChars: max })}
          />
        </div>
        <p role="status">
          {count(data.chars)} of {count(data.text.maxChars)} characters with the blocks, keywords{" "}
          {count(data.keywordChars)} of {count(data.text.maxKeywordChars)}
          {data.keywordChars > data.text.maxKeywordChars && ": too long"}.
        </p>
        <div className={css.row}>
          <Button type="submit" size="xs" disabled={!changed} loading={save.isPending}>
            Save
          </Button>
          <CopyButton value={data.whole}>
            {({ copied, copy }) => (
              <Button size="xs" variant="default" disabled={changed || data.whole === ""} onClick={copy}>
                {copied ? "Copied" : "Copy with the blocks"}
              </Button>
            )}
          </CopyButton>
        </div>
      </form>
    </details>
  );
}

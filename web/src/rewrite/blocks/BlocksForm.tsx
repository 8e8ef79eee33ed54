import { ActionIcon, Button, Checkbox } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { answer, api, type TextBlock } from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { IconArrowDown, IconArrowUp } from "../../parts/icons";
import { BlockEditor } from "./BlockEditor";
import { BlockLinks } from "./BlockLinks";
import css from "./Blocks.module.css";
import { ChannelForm } from "./ChannelForm";

interface Props {
  propertyId: number;
  /** Says that the blocks are others than a moment ago, so that the preview is made anew; "" while that is being stored. */
  onBlocks: (version: string) => void;
}

const NEW: TextBlock = { id: 0, name: "", kind: "ABOUT", language: "", text: "", place: null };
const NONE: TextBlock[] = [];

/** The blocks that all descriptions share: written, put in order, and put below each description. */
export function BlocksForm({ propertyId, onBlocks }: Props) {
  const path = { params: { path: { propertyId } } };
  const [editing, setEditing] = useState<TextBlock>();
  const { data } = useQuery({
    queryKey: ofProperty(propertyId, "blocks"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/blocks", path)),
  });
  const blocks = data?.blocks ?? NONE;
  const version = useRef(0);
  const tellVersion = () => onBlocks(String(++version.current));
  const order = useChange(propertyId, (ids: number[]) =>
    answer(api.PUT("/api/properties/{propertyId}/blocks/order", { ...path, body: { ids } })),
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: only where the blocks are others
  useEffect(() => {
    if (!order.isPending) tellVersion();
  }, [blocks]);
  // What was just ticked or moved shows at once; what the server says takes its place.
  const [moved, setMoved] = useState<{ of: TextBlock[]; ids: number[] }>();
  const stored = blocks.filter((block) => block.place !== null).map((block) => block.id);
  const arranged = moved?.of === blocks ? moved.ids : stored;
  const arrange = (ids: number[]) => {
    setMoved({ of: blocks, ids });
    onBlocks("");
    order.mutate(ids, { onError: () => setMoved(undefined), onSettled: tellVersion });
  };
  const toggle = (id: number) =>
    arrange(arranged.includes(id) ? arranged.filter((each) => each !== id) : [...arranged, id]);
  const move = (id: number, step: number) => {
    const at = arranged.indexOf(id);
    const ids = arranged.filter((each) => each !== id);
    ids.splice(at + step, 0, id);
    arrange(ids);
  };
  if (editing) {
    return (
      <BlockEditor
        key={editing.id}
        propertyId={propertyId}
        block={editing}
        values={data?.values ?? []}
        onDone={() => setEditing(undefined)}
      />
    );
  }
  return (
    <div className={css.form}>
      <p>
        What belongs to the item stays on top; the ticked blocks follow, with a blank line between. A block that was
        changed here is changed in every description that carries it.
      </p>
      {blocks.length === 0 && <p className={css.empty}>No blocks yet. Add an opening, links or a disclosure.</p>}
      <ul className={css.blocks} aria-label="Blocks">
        {blocks.map((block) => {
          const at = arranged.indexOf(block.id);
          return (
            <li key={block.id}>
              <Checkbox
                size="xs"
                aria-label={`${block.name} in descriptions`}
                checked={at >= 0}
                onChange={() => toggle(block.id)}
              />
              <button type="button" className={css.block} onClick={() => setEditing(block)}>
                <b>{block.name}</b>
                <span>{block.text}</span>
              </button>
              <ActionIcon
                size="sm"
                variant="subtle"
                aria-label={`${block.name} up`}
                disabled={at <= 0}
                onClick={() => move(block.id, -1)}
              >
                <IconArrowUp size={14} />
              </ActionIcon>
              <ActionIcon
                size="sm"
                variant="subtle"
                aria-label={`${block.name} down`}
                disabled={at < 0 || at === arranged.length - 1}
                onClick={() => move(block.id, 1)}
              >
                <IconArrowDown size={14} />
              </ActionIcon>
            </li>
          );
        })}
      </ul>
      <div className={css.row}>
        <Button size="compact-xs" variant="default" onClick={() => setEditing(NEW)}>
          Add a block
        </Button>
        {blocks.length > 0 && <BlockLinks propertyId={propertyId} />}
      </div>
      <ChannelForm propertyId={propertyId} />
    </div>
  );
}

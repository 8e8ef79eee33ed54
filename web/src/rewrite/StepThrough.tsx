import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { answer, api, type Field } from "../api/client";
import { ofProperty } from "../api/queries";
import { cellOf, type DraftedField } from "../parts/fields";
import { count, of, pathOf } from "../parts/number";
import css from "./Rewrite.module.css";

/** More hits are nothing to step through one by one. */
export const MOST_HITS = 2_000;

interface Props {
  propertyId: number;
  token: string;
  field: Field;
  /** The items whose texts shall change, once all hits were looked at or it is enough. */
  onChosen: (ids: number[]) => void;
  onClose: () => void;
}

/** The hits of a search one after another, old above new, each taken or skipped. */
export function StepThrough({ propertyId, token, field, onChosen, onClose }: Props) {
  const [at, setAt] = useState(0);
  const [taken, setTaken] = useState<number[]>([]);
  const hits = useQuery({
    queryKey: ["hits", token],
    queryFn: () =>
      answer(
        api.GET("/api/properties/{propertyId}/items/ids", {
          params: { path: { propertyId }, query: { among: `${token} changed`, count: MOST_HITS } },
        }),
      ),
  });
  const ids = hits.data ?? [];
  const id = ids[at];
  const hit = useQuery({
    queryKey: ofProperty(propertyId, "hit", token, id),
    enabled: id !== undefined,
    queryFn: async () => {
      const [row, [line]] = await Promise.all([
        answer(api.GET("/api/items/{id}", { params: { path: { id } } })),
        answer(api.GET("/api/previews/{token}/rows", { params: { path: { token }, query: { ids: [id] } } })),
      ]);
      const cell = cellOf(row, field as DraftedField);
      return { address: row.address, before: cell?.draft ?? cell?.captured ?? "", after: line?.after ?? "" };
    },
  });
  const step = (take: boolean) => {
    const next = take ? [...taken, id] : taken;
    setTaken(next);
    if (at + 1 < ids.length) setAt(at + 1);
    else onChosen(next);
  };
  useEffect(() => {
    if (hits.data?.length === 0) onClose();
  }, [hits.data, onClose]);
  if (id === undefined) return null;
  return (
    <section className={css.step} aria-label="Hits one by one">
      <p>
        <strong>
          Hit {count(at + 1)} of {count(ids.length)}
        </strong>
        , {of(taken.length, "text")} taken
      </p>
      {hit.data && (
        <div className={css.sides}>
          <b>{pathOf(hit.data.address)}</b>
          <del>{hit.data.before || "none"}</del>
          <ins>{hit.data.after || "none"}</ins>
        </div>
      )}
      <div className={css.buttons}>
        <Button size="xs" autoFocus disabled={!hit.data} onClick={() => step(true)}>
          Take it
        </Button>
        <Button size="xs" variant="default" disabled={!hit.data} onClick={() => step(false)}>
          Skip
        </Button>
        <Button size="xs" variant="default" onClick={() => onChosen([...taken, ...ids.slice(at)])}>
          Take the rest
        </Button>
        <Button size="xs" variant="subtle" onClick={() => (taken.length > 0 ? onChosen(taken) : onClose())}>
          {taken.length > 0 ? "Enough" : "Cancel"}
        </Button>
      </div>
    </section>
  );
}

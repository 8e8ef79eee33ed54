import { useEffect, useState } from "react";
import { answer, api, type Field, type ItemRow, type PreviewRow } from "../api/client";

/** A preview as far as it is worked out. */
export interface Previewed {
  token: string;
  field: Field;
  done: number;
  complete: boolean;
}

const NONE: ReadonlyMap<number, PreviewRow> = new Map();

/**
 * What would become of the rows in view, asked for as they come into view and as the preview gets further; at its end what was
 * worked out ahead of its turn is asked for again.
 */
export function usePreviewedRows(previewed: Previewed | undefined) {
  const [view, setView] = useState<ItemRow[]>([]);
  const [known, setKnown] = useState({ token: "", rows: NONE });
  const { token, done, complete } = previewed ?? { token: undefined, done: 0, complete: false };
  const rows = known.token === token ? known.rows : NONE;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is missing is asked for again as more is worked out
  useEffect(() => {
    const missing = view.map((row) => row.id).filter((id) => !rows.has(id) || (complete && rows.get(id)?.early));
    if (!token || missing.length === 0) return;
    const abort = new AbortController();
    answer(
      api.GET("/api/previews/{token}/rows", {
        params: { path: { token }, query: { ids: missing } },
        signal: abort.signal,
      }),
    ).then(
      (found) =>
        setKnown((before) => ({
          token,
          rows: new Map([
            ...(before.token === token ? before.rows : NONE),
            ...found.map((row) => [row.itemId, row] as const),
          ]),
        })),
      () => undefined,
    );
    return () => abort.abort();
  }, [view, token, done, complete]);
  return { rows, onView: setView };
}

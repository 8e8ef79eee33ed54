import { useLocalStorage } from "@mantine/hooks";
import { answer, api, type KeywordSelection } from "../api/client";
import { useChange } from "../api/queries";
import { monthInWords } from "./months";
import { of } from "./number";
import { tell } from "./tell";

/** A review list, and the month for those that are put on it; "" for none. */
export interface NamedList {
  list: string;
  month: string;
}

export type Listed =
  | { selection: KeywordSelection }
  | { tags: string[] }
  /** items that a filter of Triage shows, under a name */
  | { name: string; place: string };

/** Puts keywords, tags and items on the list that was used last. */
export function useListing(propertyId: number) {
  const [last, setLast] = useLocalStorage<NamedList | null>({
    key: `lucid-list-${propertyId}`,
    defaultValue: null,
    getInitialValueInEffect: false,
  });
  const put = useChange(propertyId, ({ to, listed }: { to: NamedList; listed: Listed }) => {
    const path = { params: { path: { propertyId } } };
    if ("place" in listed)
      return answer(api.POST("/api/properties/{propertyId}/reviews/items", { ...path, body: { ...to, ...listed } }));
    return "tags" in listed
      ? answer(api.POST("/api/properties/{propertyId}/reviews/tags", { ...path, body: { ...to, tags: listed.tags } }))
      : answer(
          api.POST("/api/properties/{propertyId}/reviews/keywords", {
            ...path,
            body: { ...to, selection: listed.selection },
          }),
        );
  });
  const list = (to: NamedList, listed: Listed, onDone?: () => void) => {
    setLast(to);
    put.mutate(
      { to, listed },
      {
        onSuccess: (put) => {
          const when = to.month ? `, to look at again in ${monthInWords(to.month)}` : "";
          const what = put?.phrases === undefined ? "This" : of(put.phrases, "phrase");
          tell(`${what} ${(put?.phrases ?? 1) === 1 ? "is" : "are"} on “${to.list}”${when}.`);
          onDone?.();
        },
      },
    );
  };
  return { last, list, pending: put.isPending };
}

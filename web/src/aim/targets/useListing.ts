import { useLocalStorage } from "@mantine/hooks";
import { answer, api, type KeywordSelection } from "../../api/client";
import { useChange } from "../../api/queries";
import { of } from "../../parts/number";
import { tell } from "../../parts/tell";
import { monthInWords } from "../keywords/month";

/** A review list, and the month for those that are put on it; "" for none. */
export interface NamedList {
  list: string;
  month: string;
}

export type Listed = { selection: KeywordSelection } | { tags: string[] };

/** Puts keywords and tags on the list that was used last. */
export function useListing(propertyId: number) {
  const [last, setLast] = useLocalStorage<NamedList | null>({
    key: `lucid-list-${propertyId}`,
    defaultValue: null,
    getInitialValueInEffect: false,
  });
  const put = useChange(propertyId, ({ to, listed }: { to: NamedList; listed: Listed }) => {
    const path = { params: { path: { propertyId } } };
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
        onSuccess: ({ phrases }) => {
          const when = to.month ? `, to look at again in ${monthInWords(to.month)}` : "";
          tell(`${of(phrases, "phrase")} ${phrases === 1 ? "is" : "are"} on “${to.list}”${when}.`);
          onDone?.();
        },
      },
    );
  };
  return { last, list, pending: put.isPending };
}

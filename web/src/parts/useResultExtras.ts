import { useLocalStorage } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { answer, api, type ItemRow } from "../api/client";
import { dayInWords } from "./number";

/** What a result page may show besides title and description, where the page says it of itself. */
export const EXTRAS = ["date", "rating", "price"] as const;
export type Extra = (typeof EXTRAS)[number];

const NONE: Extra[] = [];

/** Which of them are shown in previews, remembered in the browser, and what the item says of each. */
export function useResultExtras(item: ItemRow) {
  const [wanted, setWanted] = useLocalStorage<Extra[]>({
    key: "results show",
    defaultValue: NONE,
    getInitialValueInEffect: false,
  });
  const isPage = item.tags === null && item.address.includes("://");
  const { data } = useQuery({
    queryKey: ["result-extras", item.id],
    queryFn: () => answer(api.GET("/api/items/{id}/captured", { params: { path: { id: item.id } } })),
    select: (captured) => captured.page?.structured,
    enabled: isPage && wanted.some((each) => each !== "date"),
    staleTime: 60_000,
    gcTime: 60_000,
  });
  const known: Record<Extra, string> = {
    date: dayInWords(item.published),
    rating: data?.rating ?? "",
    price: item.price || (data?.price ?? ""),
  };
  const shown = (extra: Extra) => (wanted.includes(extra) ? known[extra] : "");
  return {
    date: shown("date"),
    below: [shown("rating") && `Rating ${shown("rating")}`, shown("price")].filter(Boolean).join(" · "),
    isWanted: (extra: Extra) => wanted.includes(extra),
    toggle: (extra: Extra) =>
      setWanted(wanted.includes(extra) ? wanted.filter((each) => each !== extra) : [...wanted, extra]),
  };
}

export type ResultExtras = ReturnType<typeof useResultExtras>;

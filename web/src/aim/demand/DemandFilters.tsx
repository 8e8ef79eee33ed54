import { Button, NativeSelect, SegmentedControl, TextInput } from "@mantine/core";
import type { DemandWindow } from "../../api/client";
import { count } from "../../parts/number";
import { countryName } from "../keywords/countryName";
import css from "./DemandView.module.css";
import type { useDemand } from "./useDemand";

const WINDOWS = [
  { value: "4", label: "4 weeks" },
  { value: "13", label: "13 weeks" },
  { value: "26", label: "26 weeks" },
  { value: "52", label: "52 weeks" },
  { value: "own", label: "from … to …" },
];

/** The window, the country and the side that demand is looked at from. */
export function DemandFilters({ demand, window }: { demand: ReturnType<typeof useDemand>; window?: DemandWindow }) {
  const { filter, of, q, set } = demand;
  const own = filter.first !== undefined;
  return (
    <div className={css.filters}>
      <SegmentedControl
        size="xs"
        aria-label="Side"
        value={of}
        onChange={(side) => set({ of: side })}
        data={[
          { value: "queries", label: "Queries" },
          { value: "items", label: "Items" },
        ]}
      />
      <NativeSelect
        size="xs"
        aria-label="Window"
        value={own ? "own" : String(filter.weeks ?? 13)}
        onChange={(event) => {
          const chosen = event.currentTarget.value;
          if (chosen === "own") set({ first: window?.first, last: window?.last, weeks: undefined });
          else set({ first: undefined, last: undefined, weeks: chosen });
        }}
        data={WINDOWS}
      />
      {own && (
        <>
          <TextInput
            size="xs"
            type="date"
            aria-label="First day"
            value={filter.first}
            onChange={(event) => event.currentTarget.value && set({ first: event.currentTarget.value })}
          />
          <TextInput
            size="xs"
            type="date"
            aria-label="Last day"
            value={filter.last ?? window?.last ?? ""}
            onChange={(event) => event.currentTarget.value && set({ last: event.currentTarget.value })}
          />
        </>
      )}
      <NativeSelect
        size="xs"
        aria-label="Country"
        value={filter.country ?? ""}
        onChange={(event) => set({ country: event.currentTarget.value })}
        data={[
          { value: "", label: "all countries" },
          ...(window?.countries ?? []).map((each) => ({
            value: each.country,
            label: `${countryName(each.country)} (${count(each.impressions)} impressions)`,
          })),
        ]}
      />
      <NativeSelect
        size="xs"
        aria-label="Brand"
        value={filter.brand ?? ""}
        onChange={(event) => set({ brand: event.currentTarget.value })}
        data={[
          { value: "", label: "brand or not" },
          { value: "yes", label: "with the brand" },
          { value: "no", label: "without the brand" },
        ]}
      />
      {(filter.like ?? filter.query ?? filter.item) !== undefined && (
        <Button size="xs" variant="default" onClick={() => set({ like: undefined, query: undefined, item: undefined })}>
          only {filter.like ? `“${filter.like}”` : filter.query ? `“${filter.query}”` : "one item"} ×
        </Button>
      )}
      <TextInput
        size="xs"
        w={150}
        aria-label={of === "items" ? "Text in the address" : "Text in the query"}
        placeholder="contains …"
        value={q}
        onChange={(event) => set({ q: event.currentTarget.value })}
      />
    </div>
  );
}

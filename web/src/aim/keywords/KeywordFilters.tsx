import { Button, NativeSelect, NumberInput, Popover } from "@mantine/core";
import type { KeywordFilter } from "../../api/client";
import { count } from "../../parts/number";
import css from "../Aim.module.css";
import { countryName } from "./countryName";
import { useKeywordChoices } from "./useKeywords";

const HIDDEN = ["brand", "season", "competition", "rank", "min"] as const;

interface Props {
  propertyId: number;
  filter: KeywordFilter;
  set: (changes: Record<string, string | undefined>) => void;
}

/** What the keyword table can be narrowed to. */
export function KeywordFilters({ propertyId, filter, set }: Props) {
  const choices = useKeywordChoices(propertyId).data;
  const some = (values: { value: string; keywords: number }[] | undefined, all: string) => [
    { value: "", label: all },
    ...(values ?? [])
      .filter((each) => each.value)
      .map((each) => ({ value: each.value, label: `${each.value} (${count(each.keywords)})` })),
  ];
  const select = (
    name: Exclude<keyof KeywordFilter, "min">,
    label: string,
    data: { value: string; label: string }[],
  ) => (
    <NativeSelect
      size="xs"
      aria-label={label}
      value={filter[name] ?? ""}
      onChange={(event) => set({ [name]: event.currentTarget.value || undefined })}
      data={data}
    />
  );
  const narrowed = HIDDEN.filter((name) => filter[name]).length;
  return (
    <div className={css.filters}>
      {select("intent", "Intent", some(choices?.intents, "any intent"))}
      {select("topic", "Topic", some(choices?.topics.slice(0, 200), "any topic"))}
      {select("place", "Place", some(choices?.places, "any place or none"))}
      {choices &&
        choices.countries.length > 1 &&
        select("country", "Country", [
          { value: "", label: "all countries" },
          ...choices.countries.map((country) => ({ value: country, label: countryName(country) })),
        ])}
      <Popover position="bottom-end" withinPortal>
        <Popover.Target>
          <Button size="xs" variant="default">
            More{narrowed > 0 && ` (${narrowed})`} …
          </Button>
        </Popover.Target>
        <Popover.Dropdown className={css.form}>
          {select("brand", "Brand", [
            { value: "", label: "brand or not" },
            { value: "yes", label: `with the brand (${count(choices?.brand ?? 0)})` },
            { value: "no", label: "without the brand" },
          ])}
          {select("season", "Season", [
            { value: "", label: "with a season or not" },
            { value: "yes", label: `with peak months (${count(choices?.seasonal ?? 0)})` },
          ])}
          {select("competition", "Competition", some(choices?.competition, "any competition"))}
          {select("rank", "Position now", [
            { value: "", label: "any position or none" },
            { value: "first-page", label: "1 to 10" },
            { value: "second-page", label: "11 to 20" },
            { value: "further", label: "further down" },
            { value: "none", label: "no impressions" },
          ])}
          <NumberInput
            size="xs"
            aria-label="Search volume, at least"
            placeholder="search volume, at least"
            min={0}
            value={filter.min ?? ""}
            onChange={(value) => set({ min: value ? String(value) : undefined })}
          />
        </Popover.Dropdown>
      </Popover>
    </div>
  );
}

import { NativeSelect } from "@mantine/core";
import { count } from "../parts/number";
import css from "./Aim.module.css";
import { countryName } from "./countryName";
import { type KeywordFilterName, useKeywordChoices } from "./useKeywords";

interface Props {
  propertyId: number;
  filter: Partial<Record<KeywordFilterName, string>>;
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
  const select = (name: KeywordFilterName, label: string, data: { value: string; label: string }[]) => (
    <NativeSelect
      size="xs"
      aria-label={label}
      value={filter[name] ?? ""}
      onChange={(event) => set({ [name]: event.currentTarget.value || undefined })}
      data={data}
    />
  );
  return (
    <div className={css.filters}>
      {select("intent", "Intent", some(choices?.intents, "any intent"))}
      {select("topic", "Topic", some(choices?.topics.slice(0, 200), "any topic"))}
      {select("place", "Place", some(choices?.places, "any place or none"))}
      {select("brand", "Brand", [
        { value: "", label: "brand or not" },
        { value: "yes", label: `with the brand (${count(choices?.brand ?? 0)})` },
        { value: "no", label: "without the brand" },
      ])}
      {select("season", "Season", [
        { value: "", label: "with a season or not" },
        { value: "yes", label: `with peak months (${count(choices?.seasonal ?? 0)})` },
      ])}
      {choices &&
        choices.countries.length > 1 &&
        select("country", "Country", [
          { value: "", label: "all countries" },
          ...choices.countries.map((country) => ({ value: country, label: countryName(country) })),
        ])}
    </div>
  );
}

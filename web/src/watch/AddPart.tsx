import { Autocomplete } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../api/client";
import { ofProperty, useSections, useSets } from "../api/queries";

const MOST = 40;

/** Adds a part of the property to a picture: a section, set, topic, place, the brand, or any query. */
export function AddPart({ propertyId, onAdd }: { propertyId: number; onAdd: (code: string) => void }) {
  const [text, setText] = useState("");
  const sections = useSections(propertyId);
  const sets = useSets(propertyId);
  const choices = useQuery({
    queryKey: ofProperty(propertyId, "keyword-choices"),
    queryFn: () =>
      answer(api.GET("/api/properties/{propertyId}/keywords/choices", { params: { path: { propertyId } } })),
  });
  const known: { group: string; code: string; label: string }[] = [
    { group: "Property", code: "all", label: "All" },
    { group: "Property", code: "brand", label: "Brand" },
    { group: "Property", code: "not-brand", label: "Without the brand" },
    ...(sections.data ?? []).map(({ section }) => ({
      group: "Sections",
      code: `section:${section}`,
      label: `Section ${section}`,
    })),
    ...(sets.data ?? []).map(({ id, name }) => ({ group: "Sets", code: `set:${id}`, label: `Set ${name}` })),
    ...(choices.data?.topics ?? [])
      .slice(0, MOST)
      .map(({ value }) => ({ group: "Topics", code: `topic:${value}`, label: `Topic ${value}` })),
    ...(choices.data?.places ?? [])
      .slice(0, MOST)
      .map(({ value }) => ({ group: "Places", code: `place:${value}`, label: `Place ${value}` })),
  ].filter((each) => !each.label.endsWith(" "));
  const groups = [...new Set(known.map((each) => each.group))];
  const add = (label: string) => {
    const code = known.find((each) => each.label === label)?.code ?? (label.trim() && `query:${label.trim()}`);
    if (code) onAdd(code);
    setText("");
  };
  return (
    <Autocomplete
      label="Compare with"
      placeholder="A section, set, topic, place or any query"
      w={320}
      value={text}
      limit={60}
      maxDropdownHeight={360}
      data={groups.map((group) => ({
        group,
        items: [...new Set(known.filter((each) => each.group === group).map((each) => each.label))],
      }))}
      onChange={setText}
      onOptionSubmit={add}
      onKeyDown={(event) => {
        if (event.key === "Enter" && !event.currentTarget.getAttribute("aria-activedescendant")) add(text);
      }}
    />
  );
}

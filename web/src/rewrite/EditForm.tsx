import { Checkbox, NativeSelect, TagsInput, TextInput } from "@mantine/core";
import type { EditSpec } from "../api/client";
import { RecipeEditor } from "./RecipeEditor";
import css from "./Rewrite.module.css";
import { CASES } from "./recipes";

interface Props {
  propertyId: number;
  spec: EditSpec;
  listings: boolean;
  onChange: (spec: EditSpec) => void;
}

/** What a tool needs to know. */
export function EditForm({ propertyId, spec, listings, onChange }: Props) {
  const set = (changes: Partial<EditSpec>) => onChange({ ...spec, ...changes });
  const text = (name: "find" | "with", label: string, description?: string) => (
    <TextInput
      label={label}
      description={description}
      value={spec[name] ?? ""}
      onChange={(event) => set({ [name]: event.currentTarget.value })}
    />
  );
  const tags = (label: string) => (
    <TagsInput
      label={label}
      description="Enter after each tag"
      value={spec.tags ?? []}
      onChange={(value) => set({ tags: value })}
    />
  );
  switch (spec.tool) {
    case "recipe":
      return <RecipeEditor propertyId={propertyId} spec={spec} listings={listings} onChange={onChange} />;
    case "replace":
      return (
        <div className={css.form}>
          {text("find", "Find")}
          {text("with", "Replace with", spec.regex ? "$1 stands for the first group" : undefined)}
          <Checkbox
            size="xs"
            label="Regular expression"
            checked={spec.regex ?? false}
            onChange={(event) => set({ regex: event.currentTarget.checked })}
          />
          <Checkbox
            size="xs"
            label="Match case"
            checked={spec.matchCase ?? false}
            onChange={(event) => set({ matchCase: event.currentTarget.checked })}
          />
        </div>
      );
    case "before":
      return text(
        "with",
        "Add to the start",
        "With the space or separator that belongs to it; where it stands already, nothing is added.",
      );
    case "after":
      return text(
        "with",
        "Add to the end",
        "With the space or separator that belongs to it; where it stands already, nothing is added.",
      );
    case "remove-beginning":
      return text("find", "Beginning to remove");
    case "remove-ending":
      return text("find", "Ending to remove");
    case "case":
      return (
        <NativeSelect
          label="Letter case"
          description="The client’s names keep theirs."
          value={(spec.letterCase ?? "sentence").toUpperCase()}
          data={CASES.filter((each) => each.value !== "AS_IS")}
          onChange={(event) => set({ letterCase: event.currentTarget.value.toLowerCase() })}
        />
      );
    case "cut":
      return <p>Cut at the last word that fits, with no conjunction, bracket or separator left dangling.</p>;
    case "add-tags":
      return tags("Tags to add");
    case "remove-tags":
      return tags("Tags to remove");
    case "replace-tag":
      return (
        <div className={css.form}>
          {text("find", "Tag to replace")}
          {text("with", "Tag to put in its place")}
        </div>
      );
    default:
      return null;
  }
}

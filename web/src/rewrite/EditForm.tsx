import { Checkbox, NativeSelect, NumberInput, SegmentedControl, TagsInput, Textarea, TextInput } from "@mantine/core";
import type { EditSpec, Selection } from "../api/client";
import { MONTHS } from "../parts/months";
import { BlocksForm } from "./blocks/BlocksForm";
import { RecipeEditor } from "./RecipeEditor";
import css from "./Rewrite.module.css";
import { CASES } from "./recipes";

interface Props {
  propertyId: number;
  spec: EditSpec;
  listings: boolean;
  selection: Selection;
  onChange: (spec: EditSpec) => void;
}

/** What a tool needs to know. */
export function EditForm({ propertyId, spec, listings, selection, onChange }: Props) {
  const set = (changes: Partial<EditSpec>) => onChange({ ...spec, ...changes });
  const text = (name: "find" | "with", label: string, description?: string) => (
    <TextInput
      label={label}
      description={description}
      value={spec[name] ?? ""}
      onChange={(event) => set({ [name]: event.currentTarget.value })}
    />
  );
  const block = (name: "find" | "with", label: string, description: string) => (
    <Textarea
      label={label}
      description={description}
      autosize
      minRows={3}
      maxRows={12}
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
      return (
        <RecipeEditor
          propertyId={propertyId}
          spec={spec}
          listings={listings}
          selection={selection}
          onChange={onChange}
        />
      );
    case "replace":
      return (
        <div className={css.form}>
          {text("find", "Find")}
          {text("with", "Replace with", spec.way === "regex" ? "$1 stands for the first group" : undefined)}
          <SegmentedControl
            size="xs"
            aria-label="How it is found"
            value={spec.way ?? "plain"}
            onChange={(way) => set({ way })}
            data={[
              { value: "plain", label: "Anywhere" },
              { value: "whole-word", label: "Whole words" },
              { value: "regex", label: "Regular expression" },
            ]}
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
    case "shorten-ending":
      return text("find", "Ending to shorten", "Where the whole does not fit, as much of it stays as does.");
    case "add-block":
      return block(
        "with",
        "Block to add",
        "It goes to the end, below a blank line; where it stands already, nothing is added.",
      );
    case "remove-block":
      return block("find", "Block to remove", "Only where it stands at the end, with the blank line above it.");
    case "brand":
      return (
        <div className={css.form}>
          <SegmentedControl
            size="xs"
            aria-label="Place of the brand"
            value={spec.place ?? "last"}
            onChange={(place) => set({ place, with: place === "first" ? ": " : " | " })}
            data={[
              { value: "last", label: "Last" },
              { value: "first", label: "First" },
              { value: "none", label: "Off" },
            ]}
          />
          {spec.place !== "none" &&
            text("with", "Separator", "What stands between the brand and the rest, with its spaces.")}
          <p>
            It is moved where it stands apart. In the middle of a sentence it stays, and is not added a second time.
          </p>
        </div>
      );
    case "year":
      return text("with", "Year", "Years before it are put forward. “Since 1998” and ranges of years stay.");
    case "writer":
      return (
        <p>
          The answers in the writer’s column “{spec.with}” that can be used. Where there is none, the text stays as it
          is.
        </p>
      );
    case "recipes":
      return (
        <p>
          Each item gets the recipe that is in force for the first set it belongs to, or else the one for all items.
          Save a recipe as “in force” to have it here.
        </p>
      );
    case "encoding":
      return <p>Letters that were read in the wrong encoding and entities that were escaped twice are put right.</p>;
    case "emoji":
      return <p>All emoji go, and the space that each would leave behind.</p>;
    case "spaces":
      return <p>One space between words, none at the ends or before a comma, and at most one blank line.</p>;
    case "open-with-title":
      return <p>The title, up to its first separator, is put before a description that does not open with it.</p>;
    case "merge-twins":
      return <p>Of tags that differ in the order or form of their words only, the first stays.</p>;
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
      return (
        <div className={css.form}>
          <p>Cut at the last word that fits, with no conjunction, bracket or separator left dangling.</p>
          <Checkbox
            size="xs"
            label="At the end of a sentence, where one fits"
            checked={spec.atSentence ?? false}
            onChange={(event) => set({ atSentence: event.currentTarget.checked })}
          />
        </div>
      );
    case "tag-sets":
      return (
        <div className={css.form}>
          <p>
            Tags by searches a month and by how much they are about the item, under the limits of the standard. No two
            say the same, and a tag is worth less the more of the others carry it.
          </p>
          <NumberInput
            label="Brand tags, at most"
            description="Share of the places"
            suffix=" %"
            min={0}
            max={100}
            value={spec.share ?? 33}
            onChange={(share) => typeof share === "number" && set({ share })}
          />
          {tags("Words that no tag may contain")}
        </div>
      );
    case "blocks":
      return <BlocksForm propertyId={propertyId} onBlocks={(version) => set({ with: version })} />;
    case "blocks-off":
      return <p>What the shared blocks say at the end of a description goes, as they are now or were before.</p>;
    case "season-tags":
      return (
        <div className={css.form}>
          <NativeSelect
            label="Month"
            value={spec.with ?? "1"}
            data={MONTHS.map((label, i) => ({ value: `${i + 1}`, label }))}
            onChange={(event) => set({ with: event.currentTarget.value })}
          />
          <p>
            Tags that are searched far more in other months go; those whose season it is, or begins in the next month,
            come in their places. All other tags stay.
          </p>
        </div>
      );
    case "order-tags":
      return <p>The tags that are searched most come first. Those of which nothing is known keep their order.</p>;
    case "indexing":
      return (
        <div className={css.form}>
          <SegmentedControl
            size="xs"
            aria-label="Indexing"
            value={spec.with ?? "noindex"}
            onChange={(value) => set({ with: value })}
            data={[
              { value: "noindex", label: "Off" },
              { value: "index", label: "On" },
            ]}
          />
          <p>
            What the page says of itself (meta robots). A canonical to another page or robots.txt keep search engines
            away all the same.
          </p>
        </div>
      );
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

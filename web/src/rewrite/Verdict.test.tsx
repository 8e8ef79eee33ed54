import { fireEvent, screen } from "@testing-library/react";
import { expect, it } from "vitest";
import { show } from "../../testing/view";
import type { EditSpec, Figures } from "../api/client";
import { EditForm } from "./EditForm";
import { startOf } from "./recipes";
import { fieldOf, TOOLS, type Tool, toolChoice } from "./tools";
import { type Outcome, Verdict } from "./Verdict";

const FIGURES = {
  ...{ token: "t", asOf: 4, of: 40, done: 20, complete: false, problem: null, says: null },
  ...{ changes: 1, fitting: 1, unchanged: 1, kept: 0, shortened: 0, lacking: 0, toldApart: 0 },
  ...{ alike: 0, nothing: 0, runaway: 2 },
} as Figures;

it("says how far it is, and offers nothing to look at before it is whole", () => {
  const said: (Outcome | undefined)[] = [];
  show(<Verdict figures={FIGURES} field="title" outcome={undefined} onOutcome={(outcome) => said.push(outcome)} />);
  expect(screen.getByRole("status").textContent).toBe(
    "20 of 40 items looked at: 1 title would change, all of them fit; 1 stays the same." +
      "2 left out: the regular expression tries too many ways.",
  );
  expect(screen.queryByRole("button")).toBeNull();
});

it("says what there is to say of all together", () => {
  const says = "The tags of all cover 900 searches a month, 400 before.";
  const whole = { ...FIGURES, done: 40, complete: true, says };
  show(<Verdict figures={whole} field="tags" outcome="left" onOutcome={() => undefined} />);
  expect(screen.getByText(says)).toBeTruthy();
  expect(screen.getByRole("button", { name: "left as they are 2" }).getAttribute("aria-pressed")).toBe("true");
});

it.each([
  ["brand", "Separator", " – ", { with: " – ", place: "last" }],
  ["year", "Year", "2031", { with: "2031" }],
  ["add-block", "Block to add", "Sent\nin two days", { with: "Sent\nin two days" }],
  ["remove-block", "Block to remove", "Sent", { find: "Sent" }],
  ["shorten-ending", "Ending to shorten", " | Tarrin", { find: " | Tarrin" }],
  ["tag-sets", "Brand tags, at most", "20", { share: 20 }],
] as [Tool, string, string, Partial<EditSpec>][])("asks what %s needs to know", (tool, label, value, wanted) => {
  let spec = startOf(tool, fieldOf(tool, "title"), { find: "", with: "" }, true);
  const form = (now: EditSpec) => (
    <EditForm
      propertyId={7}
      spec={now}
      listings
      selection={{ ids: [] }}
      onChange={(next) => {
        spec = next;
      }}
    />
  );
  show(form(spec));
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
  expect(spec).toMatchObject({ tool, ...wanted });
});

it("offers each tool in one group, tags to listings only, and opens each on a field that it is for", () => {
  const offered = (listings: boolean) => toolChoice(listings).flatMap((group) => group.items.map(({ value }) => value));
  const tools = (without: string) => TOOLS.filter((each) => each.only !== without).map((each) => each.tool);
  expect(offered(true).sort()).toEqual(tools("indexing").sort());
  expect(offered(false)).not.toContain("tag-sets");
  expect(fieldOf("add-block", "title")).toBe("description");
  expect(fieldOf("cut", "tags")).toBe("title");
  expect(fieldOf("cut", "description")).toBe("description");
});

import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { beforeEach, expect, it } from "vitest";
import { type Asked, asked, Problem, serve } from "../../testing/server";
import { show } from "../../testing/view";
import type { EditSpec, Field, Figures } from "../api/client";
import { EditPanel } from "./EditPanel";
import type { Tool } from "./tools";
import type { Previewed } from "./usePreviewedRows";
import type { Outcome } from "./Verdict";

const figures = (changes: Partial<Figures>): Figures => ({
  token: "t",
  asOf: 4,
  of: 30,
  done: 30,
  complete: true,
  problem: null,
  says: null,
  changes: 20,
  fitting: 18,
  unchanged: 9,
  kept: 1,
  shortened: 4,
  lacking: 0,
  toldApart: 0,
  alike: 0,
  nothing: 0,
  runaway: 0,
  ...changes,
});

const PREVIEW = "POST /api/properties/7/previews";
const SELECTION = { filter: { section: "/tours/" }, except: [4] };
let closed = 0;
const previewed: (Previewed | undefined)[] = [];
const outcomes: (Outcome | undefined)[] = [];

const note = (what: Previewed | undefined) => {
  previewed.push(what);
};

function Panel({ start, listings }: { start: Tool; listings?: boolean }) {
  const [at, setAt] = useState<{ tool: Tool; field: Field }>({ tool: start, field: "title" });
  return (
    <EditPanel
      key={`${at.tool} ${at.field}`}
      propertyId={7}
      listings={listings ?? false}
      tool={at.tool}
      field={at.field}
      given={{ find: " | Tarrin", with: "" }}
      n={30}
      selection={SELECTION}
      onTool={(tool, field) => setAt({ tool, field: field ?? at.field })}
      onPreview={note}
      outcome={undefined}
      onOutcome={(outcome) => outcomes.push(outcome)}
      onClose={() => {
        closed++;
      }}
    />
  );
}

const spec = (call: Asked) => (call.body as { spec: EditSpec }).spec;
const last = () => spec(asked(PREVIEW).slice(-1)[0]);

beforeEach(() => {
  closed = 0;
  previewed.length = 0;
  outcomes.length = 0;
  serve(PREVIEW, figures({}));
  serve("GET /api/properties/7/recipes", []);
});

it("asks for nothing before there is something to find, then counts what would become of it", async () => {
  show(<Panel start="replace" />);
  expect((screen.getByRole("button", { name: "Draft them" }) as HTMLButtonElement).disabled).toBe(true);
  await userEvent.type(screen.getByLabelText("Find"), "Old");
  await userEvent.type(screen.getByLabelText("Replace with"), "New");
  await userEvent.click(screen.getByLabelText("Match case"));
  await screen.findByText("20 titles");
  await waitFor(() => expect(previewed.at(-1)).toEqual({ token: "t", field: "title", done: 30, complete: true }));
  expect(screen.getByRole("status").textContent).toContain("20 titles would change, 18 of them fit; 9 stay the same.");
  expect(screen.getByRole("status").textContent).toContain("4 shortened or without a part; 1 kept as is.");
  await waitFor(() => expect(last()).toMatchObject({ tool: "replace", find: "Old", with: "New", matchCase: true }));
  expect(asked(PREVIEW).slice(-1)[0].body).toMatchObject({ selection: SELECTION });
});

it("narrows the desk to what came out alike", async () => {
  show(<Panel start="cut" />);
  fireEvent.click(await screen.findByRole("button", { name: "too long 2" }));
  fireEvent.click(screen.getByRole("button", { name: "a part left out or shortened 4" }));
  fireEvent.click(screen.getByRole("button", { name: "left as they are 1" }));
  fireEvent.click(screen.getByRole("button", { name: "all" }));
  expect(outcomes).toEqual(["too-long", "shortened", "left", undefined]);
  expect(screen.queryByRole("button", { name: /told apart/ })).toBeNull();
});

it("applies what was previewed as one batch and closes", async () => {
  serve("POST /api/properties/7/batches", { batch: { id: 9, items: 20 }, jobId: null });
  show(<Panel start="cut" />);
  await userEvent.click(await screen.findByRole("button", { name: "Draft 20" }));
  expect(await screen.findByText("20 texts drafted. ctrl + Z undoes it.")).toBeTruthy();
  expect(asked("POST /api/properties/7/batches")[0].body).toEqual({ ...(asked(PREVIEW)[0].body as object), asOf: 4 });
  expect(closed).toBe(1);
});

it("says what was drafted although another field was opened meanwhile, and leaves that open", async () => {
  let done: (applied: unknown) => void = () => undefined;
  serve(
    "POST /api/properties/7/batches",
    () =>
      new Promise((resolve) => {
        done = resolve;
      }),
  );
  show(<Panel start="cut" />);
  await userEvent.click(await screen.findByRole("button", { name: "Draft 20" }));
  fireEvent.change(screen.getByLabelText("Field"), { target: { value: "description" } });
  await waitFor(() => expect(last().field).toBe("description"));
  done({ batch: { id: 9, items: 20 }, jobId: null });
  expect(await screen.findByText("20 texts drafted. ctrl + Z undoes it.")).toBeTruthy();
  expect(closed).toBe(0);
});

it("drafts nothing while the figures are of the edit before", async () => {
  show(<Panel start="replace" />);
  await userEvent.type(screen.getByLabelText("Find"), "Old");
  const draft = await screen.findByRole("button", { name: "Draft 20" });
  await waitFor(() => expect(draft.hasAttribute("disabled")).toBe(false));
  fireEvent.change(screen.getByLabelText("Find"), { target: { value: "Older" } });
  expect(draft.hasAttribute("disabled")).toBe(true);
  await waitFor(() => expect(draft.hasAttribute("disabled")).toBe(false));
  expect(last().find).toBe("Older");
});

it("drafts nothing while shared blocks are put into another order", async () => {
  let stored: (reply: object) => void = () => {};
  const blocks = [{ id: 4, name: "Postage", kind: "ABOUT", language: "", text: "Soon", place: 0 }];
  serve("GET /api/properties/7/blocks", { blocks, values: [] });
  serve("PUT /api/properties/7/blocks/order", () => new Promise((answer) => (stored = answer)));
  show(<Panel start="blocks" listings />);
  const draft = await screen.findByRole("button", { name: "Draft 20" });
  await userEvent.click(screen.getByLabelText("Postage in descriptions"));
  await waitFor(() => expect(screen.queryByText("Draft 20")).toBeNull());
  expect(draft.hasAttribute("disabled")).toBe(true);
  stored({});
  await waitFor(() => expect(draft.hasAttribute("disabled")).toBe(false));
});

it("follows a long preview until it is whole", async () => {
  serve(PREVIEW, figures({ complete: false, done: 10, changes: 6, fitting: 6 }));
  serve("GET /api/previews/t", figures({ changes: 21, fitting: 21 }));
  show(<Panel start="case" />);
  expect(await screen.findByRole("button", { name: "Draft 21" })).toBeTruthy();
  expect(screen.getByRole("status").textContent).toContain("21 titles would change, all of them fit");
});

it("shows the server's words where an edit cannot be done, and keeps what was typed", async () => {
  serve(PREVIEW, new Problem(422, "The regular expression cannot be read at character 3: Unclosed group."));
  show(<Panel start="replace" />);
  await userEvent.type(screen.getByLabelText("Find"), "(a");
  expect((await screen.findByRole("alert")).textContent).toContain("at character 3");
  expect((screen.getByRole("button", { name: "Draft them" }) as HTMLButtonElement).disabled).toBe(true);
  expect((screen.getByLabelText("Find") as HTMLInputElement).value).toBe("(a");
});

it("edits a recipe as its parts: sources, order, rank, letter case, shortening", async () => {
  show(<Panel start="recipe" />);
  const part = (n: number) => within(screen.getByRole("listitem", { name: `Part ${n}` }));
  await waitFor(() => expect(last().recipe?.parts).toHaveLength(3));
  const [one, two, three] = [part(1), part(2), part(3)];
  fireEvent.change(one.getByLabelText("Source 1 of part 1"), { target: { value: "FIXED" } });
  fireEvent.change(one.getByLabelText("Fixed text of part 1"), { target: { value: "On the water" } });
  fireEvent.change(two.getByLabelText("What stands before part 2"), { target: { value: ": " } });
  fireEvent.change(two.getByLabelText("Letter case of part 2"), { target: { value: "TITLE" } });
  fireEvent.change(two.getByLabelText("Rank of part 2"), { target: { value: "4" } });
  fireEvent.click(two.getByLabelText("May be shortened"));
  fireEvent.change(two.getByLabelText("What encloses part 2"), { target: { value: "()" } });
  fireEvent.click(one.getByRole("button", { name: "Only if …" }));
  fireEvent.change(one.getByLabelText("Condition 2 of part 1"), { target: { value: "PRICE_UNDER" } });
  fireEvent.change(one.getByLabelText("Value of condition 2 of part 1"), { target: { value: "100" } });
  fireEvent.change(one.getByLabelText("Condition 2 of part 1: holds"), { target: { value: "not" } });
  fireEvent.click(one.getByRole("button", { name: "Remove condition 1 of part 1" }));
  fireEvent.click(three.getByRole("button", { name: "Remove part 3" }));
  fireEvent.click(two.getByRole("button", { name: "Up" }));
  await waitFor(() =>
    expect(last().recipe?.parts).toMatchObject([
      {
        before: ": ",
        letterCase: "TITLE",
        rank: 4,
        shortenable: false,
        encloses: "()",
        sources: [{ kind: "H1" }, { kind: "TITLE" }, { kind: "SLUG" }, { kind: "SECTION" }],
      },
      {
        sources: [{ kind: "FIXED", text: "On the water" }],
        rank: 2,
        onlyIf: [{ what: "PRICE_UNDER", value: "100", not: true }],
      },
    ]),
  );
  const add = screen.getByRole<HTMLButtonElement>("button", { name: "Add a part" });
  for (let n = 2; n < 8; n++) fireEvent.click(add);
  expect(add.disabled).toBe(true);
  fireEvent.change(screen.getByLabelText("Ready-made recipes"), { target: { value: "2" } });
  const first = () => last().recipe?.parts?.map((each) => each.sources?.[0]?.kind);
  await waitFor(() => expect(first()).toEqual(["H1", "PLACE", "BRAND"]));
});

it("saves a recipe under a name and takes a saved one up", async () => {
  const saved = {
    parts: [
      {
        ...{ sources: [{ kind: "BRAND", text: "" }], before: "", letterCase: "AS_IS", rank: 1 },
        ...{ shortenable: false, encloses: "", onlyIf: [] },
      },
    ],
  };
  serve("GET /api/properties/7/recipes", [
    { id: 5, field: "title", name: "Brand alone", recipe: saved, inForce: true, setId: 3 },
    { id: 6, field: "description", name: "Another field", recipe: saved, inForce: false, setId: null },
  ]);
  serve("GET /api/properties/7/sets", [{ id: 3, name: "Tours" }]);
  serve("POST /api/properties/7/recipes", {});
  show(<Panel start="recipe" />);
  await userEvent.type(screen.getByLabelText("Name to save the recipe under"), "Tours");
  await screen.findByText("in force for Tours");
  fireEvent.change(screen.getByLabelText("In force for"), { target: { value: "0" } });
  await userEvent.click(screen.getByRole("button", { name: "Save" }));
  const stored = { field: "title", name: "Tours", inForce: true, setId: null };
  expect(asked("POST /api/properties/7/recipes")[0].body).toMatchObject(stored);
  const choice = await screen.findByLabelText("Saved recipes");
  expect(within(choice).queryByText("Another field")).toBeNull();
  expect(within(choice).getByText("Brand alone (in force for Tours)")).toBeTruthy();
  fireEvent.change(choice, { target: { value: "5" } });
  await waitFor(() => expect(last().recipe).toEqual(saved));
  expect((screen.getByLabelText("In force for") as HTMLSelectElement).value).toBe("3");
});

it("offers tags to listings only, and changes the field with the tool", async () => {
  const { unmount } = show(<Panel start="recipe" />);
  expect(within(screen.getByLabelText("Tool")).queryByText("Add tags")).toBeNull();
  unmount();
  show(<Panel start="recipe" listings />);
  fireEvent.change(screen.getByLabelText("Tool"), { target: { value: "replace-tag" } });
  await userEvent.type(screen.getByLabelText("Tag to replace"), "kayak gift");
  await userEvent.type(screen.getByLabelText("Tag to put in its place"), "paddler gift");
  await waitFor(() => expect(last()).toMatchObject({ tool: "replace-tag", field: "tags", with: "paddler gift" }));
  expect(screen.queryByLabelText("Field")).toBeNull();
});

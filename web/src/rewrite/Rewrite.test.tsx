import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { type Asked, asked, Problem, serve } from "../../testing/server";
import { cell, item, place, show, standing } from "../../testing/view";
import type { Batch } from "../api/client";
import { Rewrite } from "./Rewrite";

const batch = (id: number, state: string, undone: string | null = null) =>
  ({ id, propertyId: 7, title: `Batch ${id}`, state, items: 3, created: "2026-10-02T08:00:00Z", undone }) as Batch;

const ITEMS = "GET /api/properties/7/items";

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing());
  serve("GET /api/properties/7/jobs", []);
  serve("GET /api/properties/7/sections", []);
  serve("GET /api/properties/7/findings/checks", []);
  serve("GET /api/properties/7/batches", [
    batch(3, "applied"),
    batch(2, "undone", "2026-10-03T08:00:00Z"),
    batch(1, "applied"),
  ]);
  serve("GET /api/properties/7/recipes", []);
  serve(ITEMS, { total: 2, asOf: 4, revision: 4, rows: [item(11), item(12)] });
  serve("GET /api/properties/7/items/ids", [11, 12]);
  serve("POST /api/properties/7/looks", new Problem(404, "No looks here."));
  serve("POST /api/properties/7/cells", {});
});

it("drafts what is typed into a cell, and keeps the order while it is edited", async () => {
  show(<Rewrite />, "/p/7/rewrite?sort=title");
  fireEvent.mouseDown(await screen.findByText("Title of page 11"));
  fireEvent.keyDown(screen.getByRole("grid"), { key: "F2" });
  const editor = await screen.findByLabelText("title of https://tarrin.example/page-11");
  await userEvent.type(editor, " by the sea{Enter}");
  await waitFor(() =>
    expect(asked("POST /api/properties/7/cells")[0]?.body).toEqual([
      { itemId: 11, field: "title", text: "Title of page 11 by the sea", from: "Title of page 11" },
    ]),
  );
  await waitFor(() => expect(asked(ITEMS).slice(-1)[0].query).toMatchObject({ sort: "title", asOf: "4" }));
});

it("offers to sort again once the property has moved on", async () => {
  serve("GET /api/properties/7/standing", standing({}, { revision: 5 }));
  show(<Rewrite />, "/p/7/rewrite");
  fireEvent.click(await screen.findByRole("button", { name: "Refresh the order" }));
  await waitFor(() => expect(asked(ITEMS).slice(-1)[0].query).not.toHaveProperty("asOf"));
});

it("undoes and redoes by key, and any batch by hand; a refusal is said in words", async () => {
  serve("POST /api/batches/3/undo", {
    batch: batch(3, "undone"),
    left: [{ handoverId: 9, delivered: "2026-10-04T08:00:00Z", texts: 2 }],
  });
  serve("POST /api/batches/2/redo", { batch: batch(2, "applied"), left: [] });
  serve("POST /api/batches/1/undo", new Problem(409, "Batch 3 touched the same texts; Nothing. was changed."));
  show(<Rewrite />, "/p/7/rewrite");
  await screen.findByRole("button", { name: "History" });
  fireEvent.keyDown(document.documentElement, { key: "z", ctrlKey: true });
  expect(
    await screen.findByText("Undone: Batch 3 (3 texts). 2 texts delivered since in handover 9: left as delivered."),
  ).toBeTruthy();
  fireEvent.keyDown(document.documentElement, { key: "z", ctrlKey: true, shiftKey: true });
  expect(await screen.findByText("Redone: Batch 2 (3 texts).")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "History" }));
  serve("GET /api/batches/1/changes", {
    total: 3,
    texts: [
      { fieldId: 8, itemId: 1, address: "https://tarrin.example/oars", field: "title", before: "Oar", after: "Oars" },
    ],
  });
  serve("GET /api/properties/7/changes", { total: 0, texts: [] });
  fireEvent.click(await screen.findByText("Batch 1"));
  expect(await screen.findByText("Oars")).toBeTruthy();
  expect(screen.getByText("/oars")).toBeTruthy();
  fireEvent.change(screen.getByLabelText("Compared with"), { target: { value: "0" } });
  await waitFor(() => expect(asked("GET /api/properties/7/changes")[0]?.query).toEqual({ from: "0", to: "1" }));
  fireEvent.click(screen.getByRole("button", { name: "Undo this batch" }));
  expect(await screen.findByText("Batch 3 touched the same texts; Nothing. was changed.")).toBeTruthy();
});

it("opens a tool on all that a cause led to, and says so in the address", async () => {
  serve("POST /api/properties/7/previews", new Problem(422, "Nothing."));
  show(<Rewrite />, "/p/7/rewrite?field=title&check=common-ending&shared=+%7C+Tarrin&tool=remove-ending&on=title");
  const panel = within(await screen.findByRole("complementary", { name: "Rewrite in bulk" }));
  expect(await panel.findByText("2 items")).toBeTruthy();
  expect((panel.getByLabelText("Ending to remove") as HTMLInputElement).value).toBe(" | Tarrin");
  await waitFor(() =>
    expect(asked("POST /api/properties/7/previews")[0]?.body).toEqual({
      selection: { filter: { field: "title", check: "common-ending", shared: " | Tarrin" }, except: [] },
      spec: { tool: "remove-ending", field: "title", find: " | Tarrin" },
    }),
  );
  fireEvent.click(panel.getByRole("button", { name: "Close" }));
  expect(place).not.toContain("tool=");
  expect(screen.getByLabelText("Actions for the selected rows").textContent).toContain("2 items selected");
});

it("shows rows in view ahead of their turn, and anew once the others are known", async () => {
  const figures = { token: "t", asOf: 4, of: 2, problem: null, alike: 0, nothing: 0, runaway: 0, changes: 2 };
  const outcomes = { fitting: 2, unchanged: 0, kept: 0, shortened: 0, lacking: 0, toldApart: 1 };
  let end: (figures: unknown) => void = () => undefined;
  serve("POST /api/properties/7/previews", { ...figures, ...outcomes, done: 0, complete: false });
  serve("GET /api/previews/t", () => new Promise((resolve) => (end = resolve)));
  const row = (after: string, early: boolean) => [
    { itemId: 11, after, fit: cell("").fit, result: early ? "whole" : "told-apart", leftOut: [], early },
  ];
  serve("GET /api/previews/t/rows", row("Kayak hire", true));
  show(<Rewrite />, "/p/7/rewrite?tool=recipe&on=title");
  await screen.findByText("Kayak hire");
  serve("GET /api/previews/t/rows", row("Kayak hire, Gull Cove", false));
  end({ ...figures, ...outcomes, done: 2, complete: true });
  await screen.findByText("Kayak hire, Gull Cove");
  expect(screen.getByText("told apart")).toBeTruthy();
});

it("shows at the desk what an edit would make of the rows in view, and only those that came out so", async () => {
  const outcomes = { changes: 1, fitting: 1, unchanged: 0, kept: 0, shortened: 0, lacking: 0, toldApart: 0 };
  serve("POST /api/properties/7/previews", {
    ...outcomes,
    ...{ token: "t", asOf: 4, of: 2, done: 2, complete: true, problem: null, alike: 1, nothing: 0, runaway: 0 },
  });
  serve("GET /api/previews/t/rows", [
    { itemId: 11, after: "Page 11 on the water", fit: cell("").fit, result: "told-apart", leftOut: [] },
    { itemId: 12, after: null, fit: null, result: "alike", leftOut: [] },
  ]);
  show(<Rewrite />, "/p/7/rewrite?tool=recipe&on=title");
  const becomes = await screen.findByText("Page 11 on the water");
  const line = becomes.closest("[role=gridcell]") as HTMLElement;
  expect(within(line).getByText("Title of page 11")).toBeTruthy();
  expect(within(line).getByText("told apart")).toBeTruthy();
  expect(screen.getByText("left: the same as another")).toBeTruthy();
  expect(asked("GET /api/previews/t/rows")).toHaveLength(1);

  serve(ITEMS, { total: 1, asOf: 4, revision: 4, rows: [item(12)] });
  fireEvent.click(screen.getByRole("button", { name: "left as they are 1" }));
  await waitFor(() => expect(screen.queryByText("Page 11 on the water")).toBeNull());
  expect(asked(ITEMS).slice(-1)[0].query.among).toBe("t left");
  // It is still both that the edit is about.
  expect(screen.getByRole("heading", { name: "2 items" })).toBeTruthy();
});

it("keeps chosen texts with a reason", async () => {
  serve("POST /api/properties/7/keeps", { fields: 2 });
  show(<Rewrite />, "/p/7/rewrite?tool=keep");
  await userEvent.type(await screen.findByLabelText("Why"), "The owner's words");
  fireEvent.click(screen.getByLabelText("descriptions"));
  fireEvent.click(screen.getByRole("button", { name: "Keep them" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/keeps")[0]?.body).toEqual({
      selection: { filter: {}, except: [] },
      fields: ["title", "description"],
      reason: "The owner's words",
    }),
  );
  expect(await screen.findByText("2 texts kept as they are.")).toBeTruthy();
});

it("keeps what was typed where it could not be stored, and stores it once more", async () => {
  serve("POST /api/properties/7/cells", new Problem(503, "Lucid Sweep does not answer. Is it still running?"));
  show(<Rewrite />, "/p/7/rewrite");
  fireEvent.mouseDown(await screen.findByText("Title of page 11"));
  fireEvent.keyDown(screen.getByRole("grid"), { key: "F2" });
  await userEvent.type(await screen.findByLabelText("title of https://tarrin.example/page-11"), "!{Enter}");
  expect(await screen.findByText("Title of page 11!")).toBeTruthy();
  expect(await screen.findByText(/1 text could not be saved/)).toBeTruthy();
  serve("POST /api/properties/7/cells", {});
  fireEvent.click(screen.getByRole("button", { name: "Save again" }));
  await waitFor(() => expect(screen.queryByText(/could not be saved/)).toBeNull());
  expect(asked("POST /api/properties/7/cells")).toHaveLength(2);
});

it("shows both texts where another tab was first, and overwrites only when told to", async () => {
  serve("POST /api/properties/7/cells", (call: Asked) => {
    const [cell] = call.body as { from?: string }[];
    return cell.from === undefined
      ? {}
      : new Problem(409, "1 text was changed since you looked; Nothing. was done.", [
          { itemId: 11, address: "L11", field: "title", seen: cell.from, now: "Theirs", wanted: "Mine" },
        ]);
  });
  show(<Rewrite />, "/p/7/rewrite");
  fireEvent.mouseDown(await screen.findByText("Title of page 11"));
  fireEvent.keyDown(screen.getByRole("grid"), { key: "F2" });
  await userEvent.type(await screen.findByLabelText("title of https://tarrin.example/page-11"), "!{Enter}");
  const dialog = within(await screen.findByRole("dialog"));
  expect(dialog.getByText("Theirs")).toBeTruthy();
  fireEvent.click(dialog.getByRole("button", { name: "Overwrite with mine" }));
  await waitFor(() => expect(asked("POST /api/properties/7/cells")).toHaveLength(2));
});

it("changes rows out of view through the server, as they were seen", async () => {
  serve("POST /api/properties/7/ranges", { batch: batch(4, "applied"), left: [] });
  show(<Rewrite />, "/p/7/rewrite?sort=title");
  fireEvent.mouseDown(await screen.findByText("Title of page 11"));
  fireEvent.keyDown(screen.getByRole("grid"), { key: "ArrowDown", shiftKey: true });
  fireEvent.keyDown(screen.getByRole("grid"), { key: "d", ctrlKey: true });
  await waitFor(() =>
    expect(asked("POST /api/properties/7/ranges")[0]?.body).toEqual({
      action: "FILL",
      filter: {},
      order: { sort: "title", asOf: 4 },
      from: 0,
      count: 2,
      firstId: 11,
      lastId: 12,
      fields: ["title"],
      asOf: 4,
    }),
  );
  expect(await screen.findByText("3 texts changed. ctrl + Z undoes it.")).toBeTruthy();
});

it("fills down what was just typed, once it is stored and seen", async () => {
  serve(ITEMS, () => ({
    total: 2,
    asOf: 4,
    revision: 4 + asked("POST /api/properties/7/cells").length,
    rows: [item(11), item(12)],
  }));
  serve("POST /api/properties/7/ranges", { batch: batch(4, "applied"), left: [] });
  show(<Rewrite />, "/p/7/rewrite?sort=title");
  fireEvent.mouseDown(await screen.findByText("Title of page 11"));
  fireEvent.keyDown(screen.getByRole("grid"), { key: "F2" });
  await userEvent.type(await screen.findByLabelText("title of https://tarrin.example/page-11"), "!{Enter}");
  fireEvent.keyDown(screen.getByRole("grid"), { key: "d", ctrlKey: true });
  await waitFor(() =>
    expect(asked("POST /api/properties/7/ranges")[0]?.body).toMatchObject({ action: "FILL", from: 0, asOf: 5 }),
  );
});

const CELLS = "POST /api/properties/7/cells";

/** A reply that waits until it is let go. */
const gate = () => {
  let open = () => {};
  const opened = new Promise<void>((resolve) => {
    open = resolve;
  });
  return { opened, open };
};

async function type(title: string, more: string) {
  fireEvent.mouseDown(await screen.findByText(title));
  fireEvent.keyDown(screen.getByRole("grid"), { key: "F2" });
  await userEvent.type(await screen.findByLabelText(/^title of /), `${more}{Enter}`);
}

it("shows what was typed until the rows that have it are here, however often they are asked for anew", async () => {
  const { opened, open } = gate();
  serve(ITEMS, async () => {
    if (asked(CELLS).length === 0) return { total: 2, asOf: 4, revision: 4, rows: [item(11), item(12)] };
    await opened;
    const rows = [item(11, { title: cell("Title of page 11!") }), item(12, { title: cell("Title of page 12?") })];
    return { total: 2, asOf: 4, revision: 6, rows };
  });
  show(<Rewrite />, "/p/7/rewrite");
  await type("Title of page 11", "!");
  await waitFor(() => expect(asked(ITEMS)).toHaveLength(2));
  await type("Title of page 12", "?");
  await waitFor(() => expect(asked(ITEMS)).toHaveLength(3));
  const beingSaved = screen.getAllByTitle("Being saved").map((each) => each.textContent);
  expect(beingSaved).toEqual(["Title of page 11!", "Title of page 12?"]);
  open();
  await waitFor(() => expect(screen.queryByTitle("Being saved")).toBeNull());
  expect(screen.getByText("Title of page 11!")).toBeTruthy();
});

it.each(["at once", "in the background"])(
  "takes what is typed while a range is being changed %s as typed over what the range brings",
  async (how) => {
    const { opened, open } = gate();
    let filled = false;
    const fill = async () => {
      await opened;
      filled = true;
    };
    serve("POST /api/properties/7/ranges", async () => {
      if (how === "in the background") return { batch: null, jobId: 3, left: [] };
      await fill();
      return { batch: batch(4, "applied"), jobId: null, left: [] };
    });
    serve("GET /api/jobs/3", async () => {
      const state = filled ? "done" : "running";
      await fill();
      return { id: 3, state };
    });
    serve(ITEMS, () => ({
      total: 2,
      asOf: 4,
      revision: 4,
      rows: [
        item(11),
        filled ? item(12, { title: cell("Title of page 12", { draft: "Title of page 11" }) }) : item(12),
      ],
    }));
    show(<Rewrite />, "/p/7/rewrite");
    fireEvent.mouseDown(await screen.findByText("Title of page 12"));
    fireEvent.keyDown(screen.getByRole("grid"), { key: "d", ctrlKey: true });
    await waitFor(() => expect(asked("POST /api/properties/7/ranges")).toHaveLength(1));
    await type("Title of page 12", "!");
    open();
    await waitFor(() =>
      expect(asked(CELLS)[0]?.body).toMatchObject([{ from: "Title of page 11", text: "Title of page 12!" }]),
    );
  },
);

it("shows H1, slug and indexing to whoever wants them, and edits them", async () => {
  serve(ITEMS, {
    total: 1,
    asOf: 4,
    revision: 4,
    rows: [item(11, { heading: cell("Boats", { draft: "Boats of the bay", state: "drafted" }) })],
  });
  show(<Rewrite />, "/p/7/rewrite");
  await screen.findByText("Title of page 11");
  expect(screen.queryByRole("columnheader", { name: "H1" })).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Columns" }));
  fireEvent.click(await screen.findByLabelText("H1"));
  fireEvent.click(screen.getByLabelText("indexing"));
  expect(await screen.findByText("Boats of the bay")).toBeTruthy();
  fireEvent.mouseDown(screen.getByText("index"));
  fireEvent.keyDown(screen.getByRole("grid"), { key: "n" });
  const box = await screen.findByLabelText<HTMLSelectElement>("indexing of https://tarrin.example/page-11");
  await waitFor(() => expect(box.value).toBe("noindex"));
  fireEvent.keyDown(box, { key: "Enter" });
  await waitFor(() =>
    expect(asked("POST /api/properties/7/cells")[0]?.body).toEqual([
      { itemId: 11, field: "indexing", text: "noindex", from: "index" },
    ]),
  );
});

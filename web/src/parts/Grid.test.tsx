import { MantineProvider } from "@mantine/core";
import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactNode } from "react";
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from "vitest";
import { useChoice } from "./choice";
import { type Column, Grid, type RangeChange, type Typed } from "./Grid";
import type { Rows } from "./useRows";

interface Boat {
  id: number;
  name: string;
  wood: string;
}

const BOATS: Boat[] = ["Sandpiper", "Petrel", "Dunlin", "Knot"].map((name, i) => ({ id: i + 10, name, wood: "cedar" }));

const COLUMNS: Column<Boat>[] = [
  { key: "id", label: "number", track: "60px", text: (boat) => String(boat.id), cell: (boat) => boat.id },
  {
    key: "name",
    label: "name",
    track: "200px",
    sort: "name",
    field: "title",
    text: (boat) => boat.name,
    cell: (boat) => boat.name,
  },
  { key: "wood", label: "wood", track: "200px", field: "tags", text: (boat) => boat.wood, cell: (boat) => boat.wood },
];

const rowsOf = (boats: Boat[]): Rows<Boat> => ({
  total: boats.length,
  row: (index) => boats[index],
  show: () => undefined,
});

let typed: Typed<Boat>[];
let ranges: RangeChange[];
let copied: unknown[];
let sorted: string[];

function Table({ rows = rowsOf(BOATS) }: { rows?: Rows<Boat> }) {
  const choice = useChoice();
  return (
    <>
      <Grid
        label="Boats"
        columns={COLUMNS}
        rows={rows}
        idOf={(boat) => boat.id}
        sort="name"
        desc
        onSort={(by) => sorted.push(by)}
        choice={choice}
        idsBetween={async (from, to) => BOATS.slice(Math.min(from, to), Math.max(from, to) + 1).map((boat) => boat.id)}
        onType={(cell) => typed.push(cell)}
        onRange={(change) => ranges.push(change)}
        copyRange={(...asked) => copied.push(asked)}
        editor={(_row, _column, value, onChange) => (
          <input aria-label="cell" value={value} onChange={(event) => onChange(event.currentTarget.value)} />
        )}
        empty="No boats yet."
      />
      <output>{choice.count(BOATS.length)} selected</output>
    </>
  );
}

const mantine = {
  wrapper: ({ children }: { children: ReactNode }) => <MantineProvider env="test">{children}</MantineProvider>,
};
const heads = () =>
  within(grid())
    .getAllByRole("columnheader")
    .map((head) => head.textContent)
    .filter(Boolean);
const grid = () => screen.getByRole("grid");
const cell = (text: string) => within(grid()).getAllByText(text)[0];
const press = (key: string, more: object = {}) => fireEvent.keyDown(grid(), { key, ...more });

beforeAll(() => {
  // jsdom lays nothing out; a height lets the table draw its rows.
  Object.defineProperty(HTMLElement.prototype, "clientHeight", { configurable: true, value: 600 });
  Object.defineProperty(HTMLElement.prototype, "clientWidth", { configurable: true, value: 900 });
  HTMLElement.prototype.scrollTo = vi.fn() as unknown as typeof HTMLElement.prototype.scrollTo;
  vi.stubGlobal(
    "ResizeObserver",
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  );
});

beforeEach(() => {
  localStorage.clear();
  typed = [];
  ranges = [];
  copied = [];
  sorted = [];
});

afterEach(cleanup);

describe("the table", () => {
  it("draws what is in view and says how many rows there are", () => {
    render(<Table />, mantine);
    expect(grid().getAttribute("aria-rowcount")).toBe("5");
    expect(within(grid()).getAllByRole("row")).toHaveLength(5);
    expect(screen.getByRole("columnheader", { name: "name" }).getAttribute("aria-sort")).toBe("descending");
    fireEvent.click(screen.getByRole("button", { name: "name" }));
    expect(sorted).toEqual(["name"]);
  });

  it("says what will stand here, or what went wrong", () => {
    const { rerender } = render(<Table rows={rowsOf([])} />, mantine);
    expect(screen.getByText("No boats yet.")).toBeTruthy();
    rerender(<Table rows={{ ...rowsOf([]), total: undefined, problem: new Error("there is no property 9") }} />);
    expect(screen.getByText("there is no property 9")).toBeTruthy();
    rerender(<Table rows={{ ...rowsOf(BOATS), problem: new Error("Lucid Sweep does not answer.") }} />);
    expect(screen.getByRole("alert").textContent).toContain("out of date: Lucid Sweep does not answer.");
    expect(cell("Sandpiper")).toBeTruthy();
  });

  it("commits what was typed on Enter and goes down; Escape leaves the cell as it was", async () => {
    render(<Table />, mantine);
    fireEvent.mouseDown(cell("Sandpiper"));
    press("F2");
    await userEvent.type(screen.getByLabelText("cell"), " 12");
    fireEvent.keyDown(screen.getByLabelText("cell"), { key: "Enter" });
    expect(typed).toEqual([{ row: BOATS[0], column: "name", text: "Sandpiper 12", from: "Sandpiper" }]);
    press("x");
    expect((screen.getByLabelText("cell") as HTMLInputElement).value).toBe("x");
    fireEvent.keyDown(screen.getByLabelText("cell"), { key: "Escape" });
    expect(typed).toHaveLength(1);
    expect(screen.queryByLabelText("cell")).toBeNull();
  });

  it("does not edit a column that has no field", () => {
    render(<Table />, mantine);
    fireEvent.mouseDown(cell("10"));
    press("Enter");
    press("z");
    expect(screen.queryByLabelText("cell")).toBeNull();
  });

  it("fills down and discards drafts over what is marked, by the rows' places, whether they are here or not", () => {
    const here: Rows<Boat> = { ...rowsOf(BOATS), total: 400, row: (index) => (index < 4 ? BOATS[index] : undefined) };
    render(<Table rows={here} />, mantine);
    fireEvent.mouseDown(cell("Petrel"));
    press("ArrowDown", { shiftKey: true, ctrlKey: true });
    press("d", { ctrlKey: true });
    expect(ranges[0]).toEqual({
      action: "FILL",
      from: 1,
      count: 399,
      firstId: 11,
      lastId: undefined,
      fields: ["title"],
      cells: undefined,
    });
    press("Delete");
    expect(ranges[1]).toMatchObject({ action: "REVERT", from: 1, count: 399 });
    fireEvent.copy(grid(), { clipboardData: { setData: () => copied.push("half of it") } });
    expect(copied).toEqual([[1, 399, ["name"]]]);
  });

  it("copies out, cuts and pastes as spreadsheets do, with line breaks, and never past the last row or column", () => {
    render(<Table />, mantine);
    fireEvent.mouseDown(cell("Dunlin"));
    press("ArrowRight", { shiftKey: true });
    const clipboard: Record<string, string> = {};
    const data = { setData: (type: string, text: string) => Object.assign(clipboard, { [type]: text }) };
    fireEvent.copy(grid(), { clipboardData: data });
    expect(clipboard["text/plain"]).toBe("Dunlin\tcedar");
    fireEvent.cut(grid(), { clipboardData: data });
    expect(ranges.splice(0)).toEqual([
      { action: "REVERT", from: 2, count: 1, firstId: 12, lastId: 12, fields: ["title", "tags"], cells: undefined },
    ]);
    const paste = (text: string) => fireEvent.paste(grid(), { clipboardData: { getData: () => text } });
    fireEvent.mouseDown(cell("Dunlin"));
    paste('"Teal\nof the bay"\tash\tleft over\r\nPlover\toak\tleft over\r\nToo far\toak\r\n');
    expect(ranges.splice(0)[0]).toMatchObject({
      action: "PASTE",
      from: 2,
      count: 2,
      fields: ["title", "tags"],
      cells: [
        ["Teal\nof the bay", "ash"],
        ["Plover", "oak"],
        ["Too far", "oak"],
      ],
    });
    press("ArrowDown", { shiftKey: true });
    press("ArrowRight", { shiftKey: true });
    paste("One for all");
    expect(ranges[0]).toMatchObject({ from: 2, count: 2, fields: ["title", "tags"], cells: [["One for all"]] });
  });

  it("marks by dragging, fills by the handle, and writes to all that is marked with ctrl + Enter", async () => {
    render(<Table />, mantine);
    fireEvent.mouseDown(cell("Sandpiper"), { clientX: 50, clientY: 50 });
    fireEvent.mouseEnter(cell("Knot"), { clientX: 50, clientY: 50 });
    fireEvent.mouseEnter(cell("Petrel"), { clientX: 50, clientY: 75 });
    fireEvent.mouseUp(window);
    fireEvent.mouseEnter(cell("Knot"));
    press("F2");
    await userEvent.type(screen.getByLabelText("cell"), " II");
    fireEvent.keyDown(screen.getByLabelText("cell"), { key: "Enter", ctrlKey: true });
    expect(ranges.splice(0)[0]).toMatchObject({ action: "PASTE", from: 0, count: 2, cells: [["Petrel II"]] });
    const handle = grid().querySelector('[class*="handle"]') as HTMLElement;
    fireEvent.mouseDown(handle, { clientX: 90, clientY: 75 });
    fireEvent.mouseEnter(cell("Knot"), { clientX: 90, clientY: 130 });
    fireEvent.mouseUp(window);
    expect(ranges[0]).toMatchObject({ action: "FILL", from: 1, count: 3, fields: ["title"] });
    expect(typed).toEqual([]);
  });

  it("leaves keys on a button of the heading to the button, and says where the cursor is", () => {
    render(<Table />, mantine);
    fireEvent.mouseDown(cell("Petrel"));
    fireEvent.keyDown(screen.getByRole("button", { name: "name" }), { key: "Enter" });
    fireEvent.keyDown(screen.getByLabelText("Select 10"), { key: " " });
    expect(screen.queryByLabelText("cell")).toBeNull();
    const active = grid().getAttribute("aria-activedescendant");
    expect(document.getElementById(active ?? "")?.textContent).toBe("Petrel");
    press("Backspace");
    expect((screen.getByLabelText("cell") as HTMLInputElement).value).toBe("");
  });

  it("selects rows with click, shift, space and Escape", async () => {
    render(<Table />, mantine);
    const ticks = screen.getAllByLabelText(/^Select \d+$/);
    fireEvent.click(ticks[0]);
    fireEvent.click(ticks[2], { shiftKey: true });
    expect(await screen.findByText("3 selected")).toBeTruthy();
    fireEvent.mouseDown(cell("Knot"));
    press(" ");
    expect(screen.getByText("4 selected")).toBeTruthy();
    press("Escape");
    expect(screen.getByText("0 selected")).toBeTruthy();
    fireEvent.click(screen.getByLabelText("Select all rows"));
    expect(screen.getByText("4 selected")).toBeTruthy();
  });

  it("keeps the cursor inside the table", () => {
    const seen: (string | undefined)[] = [];
    render(
      <Grid
        label="Boats"
        columns={COLUMNS}
        rows={rowsOf(BOATS)}
        idOf={(boat) => boat.id}
        onCursor={(boat) => seen.push(boat?.name)}
        empty=""
      />,
      mantine,
    );
    for (const key of ["ArrowDown", "ArrowUp", "ArrowUp", "PageDown", "ArrowDown", "Home", "ArrowLeft"]) press(key);
    expect(seen.filter(Boolean)).toEqual(["Sandpiper", "Knot"]);
  });

  it("shows the columns as they were arranged: hidden, moved, kept in view, resized; and remembers it", async () => {
    const { unmount } = render(<Table />, mantine);
    expect(heads()).toEqual(["number", "name ↓", "wood"]);
    await userEvent.click(screen.getByRole("button", { name: "Columns" }));
    const menu = within(await screen.findByRole("list", { name: "Columns of the table" }));
    await userEvent.click(menu.getByRole("button", { name: "Move wood to the left" }));
    expect(heads()).toEqual(["number", "wood", "name ↓"]);
    await userEvent.click(menu.getByRole("button", { name: "Keep name in view" }));
    expect(heads()).toEqual(["number", "name ↓", "wood"]);
    await userEvent.click(menu.getByRole("checkbox", { name: "number" }));
    expect(heads()).toEqual(["name ↓", "wood"]);
    fireEvent.keyDown(screen.getByRole("separator", { name: "Width of wood" }), { key: "ArrowRight" });
    fireEvent.mouseDown(cell("Petrel"));
    press("Enter");
    expect((screen.getByLabelText("cell") as HTMLInputElement).value).toBe("Petrel");
    unmount();
    render(<Table />, mantine);
    expect(heads()).toEqual(["name ↓", "wood"]);
    await userEvent.click(screen.getByRole("button", { name: "Columns" }));
    await userEvent.click(await screen.findByRole("button", { name: "Reset columns" }));
    expect(heads()).toEqual(["number", "name ↓", "wood"]);
  });
});

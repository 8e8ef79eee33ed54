import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from "vitest";
import { useChoice } from "./choice";
import { type Column, Grid, type Typed } from "./Grid";
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
    field: "name",
    text: (boat) => boat.name,
    cell: (boat) => boat.name,
  },
  { key: "wood", label: "wood", track: "200px", field: "wood", text: (boat) => boat.wood, cell: (boat) => boat.wood },
];

const rowsOf = (boats: Boat[]): Rows<Boat> => ({
  total: boats.length,
  row: (index) => boats[index],
  show: () => undefined,
});

let typed: Typed[][];
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
        onType={(cells) => typed.push(cells)}
        editor={(_row, _column, value, onChange) => (
          <input aria-label="cell" value={value} onChange={(event) => onChange(event.currentTarget.value)} />
        )}
        empty="No boats yet."
      />
      <output>{choice.count(BOATS.length)} chosen</output>
    </>
  );
}

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
  typed = [];
  sorted = [];
});

afterEach(cleanup);

describe("the table", () => {
  it("draws what is in view and says how many rows there are", () => {
    render(<Table />);
    expect(grid().getAttribute("aria-rowcount")).toBe("5");
    expect(within(grid()).getAllByRole("row")).toHaveLength(5);
    expect(screen.getByRole("columnheader", { name: "name" }).getAttribute("aria-sort")).toBe("descending");
    fireEvent.click(screen.getByRole("button", { name: "name" }));
    expect(sorted).toEqual(["name"]);
  });

  it("says what will stand here, or what went wrong", () => {
    const { rerender } = render(<Table rows={rowsOf([])} />);
    expect(screen.getByText("No boats yet.")).toBeTruthy();
    rerender(<Table rows={{ ...rowsOf([]), problem: new Error("there is no property 9") }} />);
    expect(screen.getByText("there is no property 9")).toBeTruthy();
  });

  it("commits what was typed on Enter and goes down; Escape leaves the cell as it was", async () => {
    render(<Table />);
    fireEvent.mouseDown(cell("Sandpiper"));
    press("F2");
    await userEvent.type(screen.getByLabelText("cell"), " 12");
    fireEvent.keyDown(screen.getByLabelText("cell"), { key: "Enter" });
    expect(typed).toEqual([[{ row: 0, column: "name", text: "Sandpiper 12" }]]);
    press("x");
    expect((screen.getByLabelText("cell") as HTMLInputElement).value).toBe("x");
    fireEvent.keyDown(screen.getByLabelText("cell"), { key: "Escape" });
    expect(typed).toHaveLength(1);
    expect(screen.queryByLabelText("cell")).toBeNull();
  });

  it("does not edit a column that has no field", () => {
    render(<Table />);
    fireEvent.mouseDown(cell("10"));
    press("Enter");
    press("z");
    expect(screen.queryByLabelText("cell")).toBeNull();
  });

  it("fills down, and takes drafts away, over what is marked", () => {
    render(<Table />);
    fireEvent.mouseDown(cell("Petrel"));
    press("ArrowDown", { shiftKey: true });
    press("ArrowDown", { shiftKey: true });
    press("d", { ctrlKey: true });
    expect(typed).toEqual([
      [
        { row: 2, column: "name", text: "Petrel" },
        { row: 3, column: "name", text: "Petrel" },
      ],
    ]);
    press("Delete");
    expect(typed[1].map((one) => [one.row, one.text])).toEqual([
      [1, null],
      [2, null],
      [3, null],
    ]);
  });

  it("copies out and pastes in as tab-separated text, and never past the last row or column", () => {
    render(<Table />);
    fireEvent.mouseDown(cell("Dunlin"));
    press("ArrowRight", { shiftKey: true });
    const copied: Record<string, string> = {};
    fireEvent.copy(grid(), {
      clipboardData: { setData: (type: string, text: string) => Object.assign(copied, { [type]: text }) },
    });
    expect(copied["text/plain"]).toBe("Dunlin\tcedar");
    const paste = (text: string) => fireEvent.paste(grid(), { clipboardData: { getData: () => text } });
    fireEvent.mouseDown(cell("Dunlin"));
    paste("Teal\tash\tleft over\r\nPlover\toak\tleft over\r\nToo far\toak\r\n");
    expect(typed).toEqual([
      [
        { row: 2, column: "name", text: "Teal" },
        { row: 2, column: "wood", text: "ash" },
        { row: 3, column: "name", text: "Plover" },
        { row: 3, column: "wood", text: "oak" },
      ],
    ]);
    press("ArrowDown", { shiftKey: true });
    paste("One for all");
    expect(typed[1].map((one) => one.text)).toEqual(["One for all", "One for all"]);
  });

  it("chooses rows with click, shift, space and Escape", async () => {
    render(<Table />);
    const ticks = screen.getAllByLabelText("Choose this row");
    fireEvent.click(ticks[0]);
    fireEvent.click(ticks[2], { shiftKey: true });
    expect(await screen.findByText("3 chosen")).toBeTruthy();
    fireEvent.mouseDown(cell("Knot"));
    press(" ");
    expect(screen.getByText("4 chosen")).toBeTruthy();
    press("Escape");
    expect(screen.getByText("0 chosen")).toBeTruthy();
    fireEvent.click(screen.getByLabelText("Choose all rows"));
    expect(screen.getByText("4 chosen")).toBeTruthy();
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
    );
    for (const key of ["ArrowDown", "ArrowUp", "ArrowUp", "PageDown", "ArrowDown", "Home", "ArrowLeft"]) press(key);
    expect(seen.filter(Boolean)).toEqual(["Sandpiper", "Knot"]);
  });
});

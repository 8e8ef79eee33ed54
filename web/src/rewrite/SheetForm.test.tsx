import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it, vi } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { show } from "../../testing/view";
import type { SheetView } from "../api/client";
import { SheetForm } from "./SheetForm";

const SHEETS = "POST /api/properties/7/writers-sheets";
const done = vi.fn();

const view = (changes: Partial<SheetView> = {}): SheetView => ({
  token: "t1",
  rows: 40,
  changed: 12,
  conflicts: 0,
  same: 0,
  gone: 0,
  shown: [],
  notes: [],
  ...changes,
});

function form() {
  show(<SheetForm propertyId={7} selection={{ ids: [1, 2] }} listings={false} onDone={done} />);
  return screen.getByLabelText("H1");
}

async function bringIn() {
  const box = document.querySelector<HTMLInputElement>("input[type=file]");
  await userEvent.upload(box as HTMLInputElement, new File(["x"], "texts.xlsx"));
}

beforeEach(() => {
  done.mockClear();
  serve(`${SHEETS}/t1/take`, { id: 4, items: 12, title: "Writers’ sheet", state: "applied" });
});

it("asks for the ticked fields of the selected items", async () => {
  serve(`${SHEETS}/texts.xlsx`, new Problem(422, "expected at most 20,000 items in a sheet, got 100000"));
  await userEvent.click(form());
  await userEvent.click(screen.getByLabelText("descriptions"));
  await userEvent.click(screen.getByRole("button", { name: "Download XLSX" }));
  await waitFor(() =>
    expect(asked(`${SHEETS}/texts.xlsx`)[0]?.body).toEqual({ selection: { ids: [1, 2] }, fields: ["title", "h1"] }),
  );
  expect(await screen.findByText("expected at most 20,000 items in a sheet, got 100000")).toBeTruthy();
});

it("takes what was written, and leaves what changed on both sides unless it is told otherwise", async () => {
  serve(SHEETS, {
    ...view({
      conflicts: 1,
      shown: [
        {
          itemId: 2,
          address: "https://tarrin.example/oars",
          field: "title",
          seen: "Oars",
          now: "Oars, oiled",
          wanted: "Oars for rivers",
        },
      ],
      notes: ["Line 9: expected the number of an item, got “x”."],
    }),
  });
  form();
  await bringIn();
  const back = within(await screen.findByRole("region", { name: "What came back" }));
  for (const text of ["Oars", "Oars, oiled", "Oars for rivers"]) expect(back.getByText(text)).toBeTruthy();
  expect(back.getByText("Line 9: expected the number of an item, got “x”.")).toBeTruthy();
  await userEvent.click(back.getByRole("button", { name: "Draft 12 texts" }));
  await waitFor(() => expect(asked(`${SHEETS}/t1/take`)[0]?.body).toEqual({ overwrite: false }));
  await waitFor(() => expect(done).toHaveBeenCalledOnce());
});

it("overwrites where that is wanted", async () => {
  serve(SHEETS, view({ changed: 0, conflicts: 3 }));
  form();
  await bringIn();
  await userEvent.click(await screen.findByRole("button", { name: "Overwrite the 3 as well" }));
  await waitFor(() => expect(asked(`${SHEETS}/t1/take`)[0]?.body).toEqual({ overwrite: true }));
});

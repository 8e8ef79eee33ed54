import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { asked, serve } from "../../testing/server";
import { cell, item, show } from "../../testing/view";
import { StepThrough } from "./StepThrough";

const chosen: number[][] = [];
let closed = 0;

function start(ids: number[]) {
  chosen.length = 0;
  closed = 0;
  serve("GET /api/properties/7/items/ids", ids);
  for (const id of ids) serve(`GET /api/items/${id}`, item(id, { title: cell(`Boat ${id}`) }));
  serve("GET /api/previews/t1/rows", ({ query }: { query: Record<string, string> }) => [
    { itemId: Number(query.ids), after: `Oar ${query.ids}`, fit: null, result: "whole", leftOut: [] },
  ]);
  show(
    <StepThrough
      propertyId={7}
      token="t1"
      field="title"
      onChosen={(some) => chosen.push(some)}
      onClose={() => {
        closed++;
      }}
    />,
  );
}

const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));

it("takes and skips hits one by one, in the order of the table", async () => {
  start([11, 12, 13]);
  await screen.findByText("Boat 11");
  expect(asked("GET /api/properties/7/items/ids")[0].query).toMatchObject({ among: "t1 changed" });
  await press("Take it");
  await screen.findByText("Oar 12");
  await press("Skip");
  await screen.findByText("Hit 3 of 3");
  await screen.findByText("Oar 13");
  await press("Take it");
  expect(chosen).toEqual([[11, 13]]);
});

it("takes the rest, or has enough", async () => {
  start([11, 12, 13]);
  await screen.findByText("Oar 11");
  await press("Skip");
  await screen.findByText("Oar 12");
  await press("Take the rest");
  expect(chosen).toEqual([[12, 13]]);
});

it("is closed where nothing was taken or there is nothing to look at", async () => {
  start([11]);
  await screen.findByText("Oar 11");
  await press("Cancel");
  expect(closed).toBe(1);
  expect(chosen).toEqual([]);
  start([]);
  await waitFor(() => expect(closed).toBe(1));
});

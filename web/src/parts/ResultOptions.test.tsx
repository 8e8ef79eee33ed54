import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { asked, serve } from "../../testing/server";
import { item, show } from "../../testing/view";
import type { ItemRow } from "../api/client";
import { ResultOptions } from "./ResultOptions";
import { useResultExtras } from "./useResultExtras";

beforeEach(() => localStorage.clear());

function Shown({ row }: { row: ItemRow }) {
  const extras = useResultExtras(row);
  return (
    <>
      <ResultOptions extras={extras} />
      <p>
        date: {extras.date || "none"}, below: {extras.below || "none"}
      </p>
    </>
  );
}

it("shows date, rating and price where the page says them", async () => {
  const page = item(4, { address: "https://tarrin.example/oars/", published: "2026-05-01T08:00:00Z" });
  serve("GET /api/items/4/captured", { page: { structured: { rating: "4.7 of 31", price: "40 GBP" } } });
  show(<Shown row={page} />);
  expect(screen.getByText("date: none, below: none")).toBeDefined();
  await userEvent.click(screen.getByRole("button", { name: "date" }));
  expect(screen.getByText("date: 1 May 2026, below: none")).toBeDefined();
  expect(asked("GET /api/items/4/captured"), "a date needs no capture").toHaveLength(0);
  await userEvent.click(screen.getByRole("button", { name: "rating" }));
  await userEvent.click(screen.getByRole("button", { name: "price" }));
  expect(await screen.findByText("date: 1 May 2026, below: Rating 4.7 of 31 · 40 GBP")).toBeDefined();
  await userEvent.click(screen.getByRole("button", { name: "date" }));
  await waitFor(() => expect(screen.getByText(/^date: none/)).toBeDefined());
});

it("takes the price of a listing from its row, and shows what was written of a date that is none", async () => {
  localStorage.setItem("results show", JSON.stringify(["date", "price"]));
  const listing = item(5, { address: "TBK-1", published: "spring 2025", price: "£25", tags: null });
  show(<Shown row={listing} />);
  expect(await screen.findByText("date: spring 2025, below: £25")).toBeDefined();
  expect(asked("GET /api/items/5/captured"), "a listing has no page").toHaveLength(0);
});

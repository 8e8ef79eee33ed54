import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { item, place, show, standing } from "../../testing/view";
import type { KeywordRow } from "../api/client";
import { Aim } from "./Aim";

const keyword = (id: number, phrase: string, changes: Partial<KeywordRow> = {}): KeywordRow => ({
  id,
  phrase,
  volume: 1300,
  competition: "",
  items: 1,
  itemId: 1,
  address: "https://tarrin.example/page-1",
  byHand: false,
  score: 0.8,
  reason: "all its words stand in the title",
  ...changes,
});

const HOMELESS = {
  items: 0,
  itemId: null,
  address: null,
  reason: null,
  volume: null,
} as unknown as Partial<KeywordRow>;
const KEYWORDS = "GET /api/properties/7/keywords";

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing({ indexable: 1200 }));
  serve("GET /api/properties/7/jobs", []);
  serve(KEYWORDS, { total: 2, rows: [keyword(1, "kayak hire"), keyword(2, "sea cave tour", HOMELESS)] });
  serve("GET /api/properties/7/items", { total: 2, asOf: 4, rows: [item(1), item(2)] });
});

it("takes pasted keywords in and says what became of each line", async () => {
  serve("POST /api/properties/7/keywords", {
    added: 2,
    known: 1,
    aimed: 30,
    unreadable: Array.from({ length: 7 }, (_, i) => ({ line: i + 4, reason: "there is no phrase" })),
  });
  show(<Aim />, "/p/7/aim");
  await userEvent.type(screen.getByLabelText(/One a line/), "kayak hire{enter}sea cave tour");
  fireEvent.click(screen.getByRole("button", { name: "Add" }));
  const said = await screen.findByRole("status");
  expect(said.textContent).toContain("2 keywords added, 1 known already; 30 items aimed.");
  expect(said.textContent).toContain("Line 4: there is no phrase");
  expect(said.textContent).toContain("and 2 more lines that could not be used");
  expect(asked("POST /api/properties/7/keywords")[0].body).toEqual({ text: "kayak hire\nsea cave tour" });
  expect((screen.getByLabelText(/One a line/) as HTMLTextAreaElement).value).toBe("");
});

it("leaves a list that could not be read where it is", async () => {
  serve("POST /api/properties/7/keywords", new Problem(422, "no keyword could be read from it; line 1: an address"));
  show(<Aim />, "/p/7/aim");
  await userEvent.type(screen.getByLabelText(/One a line/), "https://x.example/");
  fireEvent.click(screen.getByRole("button", { name: "Add" }));
  expect(await screen.findByText(/no keyword could be read from it/)).toBeTruthy();
  expect((screen.getByLabelText(/One a line/) as HTMLTextAreaElement).value).toBe("https://x.example/");
});

it("shows keywords with their homes, sorted and taken away as they stand, and removes the chosen", async () => {
  serve("POST /api/properties/7/keywords/remove", {});
  show(<Aim />, "/p/7/aim?q=ka");
  expect(await screen.findByText("sea cave tour")).toBeTruthy();
  expect(screen.getByText(/35 of 1,200 indexable items aim/)).toBeTruthy();
  expect(screen.getByText("none")).toBeTruthy();
  expect(asked(KEYWORDS)[0].query).toMatchObject({ q: "ka", sort: "volume", desc: "true" });
  fireEvent.click(screen.getByRole("button", { name: "keyword" }));
  await waitFor(() => expect(asked(KEYWORDS).slice(-1)[0].query).toMatchObject({ sort: "phrase", desc: "false" }));
  expect(screen.getByRole("link", { name: "CSV" }).getAttribute("href")).toBe(
    "/api/properties/7/keywords.csv?q=ka&sort=phrase&desc=false",
  );
  fireEvent.click(screen.getAllByRole("checkbox", { name: /choose/i })[1]);
  fireEvent.click(screen.getByRole("button", { name: "Remove from the list" }));
  await waitFor(() => expect(asked("POST /api/properties/7/keywords/remove")[0]?.body).toEqual([1]));
});

it("looks at the same from the side of the items, and aims them by hand", async () => {
  serve("POST /api/properties/7/targets", { items: 2 });
  serve("POST /api/properties/7/targets/free", { items: 2 });
  show(<Aim />, "/p/7/aim");
  fireEvent.click(await screen.findByLabelText("Items without a keyword"));
  expect(place).toBe("/p/7/aim?side=aimless");
  await screen.findByText("Title of page 1");
  expect(asked("GET /api/properties/7/items")[0].query).toMatchObject({ target: "without", indexable: "yes" });
  const choose = () => fireEvent.click(screen.getAllByRole("checkbox", { name: /choose/i })[0]);
  choose();
  const bar = within(screen.getByLabelText("What can be done with the chosen rows"));
  await userEvent.click(bar.getByPlaceholderText("Aim at …"));
  await userEvent.click(await screen.findByText("sea cave tour"));
  await waitFor(() => expect(asked("POST /api/properties/7/targets")).toHaveLength(1));
  expect(asked("POST /api/properties/7/targets")[0].body).toEqual({
    selection: { filter: { target: "without", indexable: "yes" }, except: [] },
    keywordId: 2,
  });
  expect(await screen.findByText("2 items aimed by hand.")).toBeTruthy();
  choose();
  fireEvent.click(screen.getByRole("button", { name: "Clear the keyword" }));
  await waitFor(() => expect(asked("POST /api/properties/7/targets")[1].body).not.toHaveProperty("keywordId"));
});

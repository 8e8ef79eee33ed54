import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { asked, serve } from "../../testing/server";
import { show } from "../../testing/view";
import type { ReviewConflict, ReviewView } from "../api/client";
import { ReviewPanel } from "./ReviewPanel";

const PATH = "/api/properties/7/review-sheets";

const conflict = (changes: Partial<ReviewConflict>): ReviewConflict => ({
  itemId: 4,
  address: "https://tarrin.example/oars/",
  field: "title",
  shown: "An oar",
  now: "An oar that floats",
  decision: "APPROVE",
  wording: null,
  delivered: false,
  ...changes,
});

const review = (changes: Partial<ReviewView> = {}): ReviewView => ({
  token: "t1",
  approve: 3,
  sendBack: 1,
  reword: 0,
  same: 2,
  unknown: 0,
  conflicts: 0,
  shown: [],
  takenBefore: null,
  ...changes,
});

async function open(view: ReviewView) {
  serve(`GET ${PATH}`, []);
  serve(`POST ${PATH}`, view);
  serve(`POST ${PATH}/t1/take`, { approved: 3, sentBack: 1, reworded: 0 });
  show(<ReviewPanel propertyId={7} selection={{ ids: [4] }} waiting={5} />);
  const file = new File(["{}"], "decided.json", { type: "application/json" });
  await userEvent.upload(document.querySelector("input[type=file]") as HTMLInputElement, file);
}

it("takes in what the client decided", async () => {
  await open(review());
  expect((await screen.findByRole("status")).textContent).toContain(
    "3 texts approved, 1 sent back, 0 reworded; 2 decided so already.",
  );
  await userEvent.click(screen.getByRole("button", { name: "Take in 4" }));
  await waitFor(() => expect(asked(`POST ${PATH}/t1/take`)[0]?.body).toEqual({ insist: false }));
  await waitFor(() => expect(screen.queryByRole("button", { name: "Take in 4" })).toBeNull());
});

it("shows what changed meanwhile, and lets the client go first", async () => {
  const delivered = conflict({ itemId: 5, delivered: true, address: "https://tarrin.example/decks/" });
  await open(review({ conflicts: 2, shown: [conflict({}), delivered] }));
  expect(await screen.findByText("approved: An oar", { selector: "li:first-child span" })).toBeDefined();
  expect(screen.getAllByText("here now: An oar that floats")).toHaveLength(2);
  expect(screen.getByText(/was delivered meanwhile; it stays/)).toBeDefined();
  await userEvent.click(screen.getByRole("button", { name: "All, as the client decided" }));
  await waitFor(() => expect(asked(`POST ${PATH}/t1/take`)[0]?.body).toEqual({ insist: true }));
});

it("makes a sheet of the selected items, and says what became of the last one", async () => {
  serve(`GET ${PATH}`, [{ id: "a", created: "2026-11-20T10:00:00Z", taken: null, texts: 12 }]);
  serve(`POST ${PATH}/sheet.html`, {});
  URL.createObjectURL = () => "blob:sheet";
  show(<ReviewPanel propertyId={7} selection={{ ids: [4] }} waiting={5} />);
  expect(
    await screen.findByText("The last sheet, of 20 Nov 2026, has 12 texts; nothing has come back yet."),
  ).toBeDefined();
  await userEvent.click(screen.getByRole("button", { name: "Make a review sheet" }));
  await waitFor(() => expect(asked(`POST ${PATH}/sheet.html`)[0]?.body).toEqual({ selection: { ids: [4] } }));
});

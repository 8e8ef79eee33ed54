import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { asked, Problem, serve } from "../../../testing/server";
import { place, show, standing } from "../../../testing/view";
import { Aim } from "../Aim";

const review = (id: number, list: string, changes: object = {}) => ({
  id,
  list,
  kind: "KEYWORD",
  phrase: `phrase ${id}`,
  place: "",
  dueMonth: "",
  due: false,
  volume: null,
  address: null,
  ...changes,
});

const REVIEWS = "GET /api/properties/7/reviews";

beforeEach(() => {
  localStorage.clear();
  serve("GET /api/properties/7/standing", standing({ due: 1 }));
  serve("GET /api/properties/7/jobs", []);
});

it("shows one list or all of them, what is due apart from the rest", async () => {
  serve(REVIEWS, [
    review(1, "Spring", { due: true, dueMonth: "2026-11", volume: 90 }),
    review(2, "Winter", { kind: "TAG" }),
    review(3, "Spring", { dueMonth: "2031-05" }),
    review(4, "Titles", { kind: "ITEMS", phrase: "5 titles are too long.", place: "field=title&check=too-long" }),
    review(5, "Titles", { kind: "ITEMS", phrase: "Kayak hire", place: "q=https%3A%2F%2Ftarrin.example%2Fhire%2F" }),
  ]);
  show(<Aim />, "/p/7/aim?side=reviews");
  expect(await screen.findByText("5 to look at again")).toBeTruthy();
  const nav = within(screen.getByLabelText("Views of Aim"));
  expect(nav.getByRole("link", { name: "Review lists1 due" }).getAttribute("aria-current")).toBe("page");
  const tables = screen.getAllByRole("table");
  expect(within(tables[0]).getAllByRole("row")).toHaveLength(2);
  expect(within(tables[1]).getAllByRole("row")).toHaveLength(5);
  expect(screen.getByRole("link", { name: "5 titles are too long." }).getAttribute("href")).toBe(
    "/p/7/triage?field=title&check=too-long",
  );
  expect(screen.getByRole("link", { name: "Kayak hire" }).getAttribute("href")).toBe(
    "/p/7/rewrite?q=https%3A%2F%2Ftarrin.example%2Fhire%2F",
  );
  expect(screen.getByRole("link", { name: "phrase 2" }).getAttribute("href")).toBe("/p/7/rewrite?q=phrase+2");
  const far = screen.getByLabelText("Month for phrase 3") as HTMLSelectElement;
  expect(far.selectedOptions[0].textContent).toBe("May 2031");
  await userEvent.selectOptions(screen.getByLabelText("List"), "Winter (1)");
  expect(place).toBe("/p/7/aim?side=reviews&list=Winter");
  expect(await screen.findByText("1 to look at again")).toBeTruthy();
  expect(screen.queryByText("Due")).toBeNull();
});

it("says how a list is begun where there is none, and what went wrong", async () => {
  serve(REVIEWS, []);
  const first = show(<Aim />, "/p/7/aim?side=reviews");
  expect(await screen.findByText(/press L/)).toBeTruthy();
  expect(screen.queryByLabelText("List")).toBeNull();
  first.unmount();
  serve(REVIEWS, new Problem(500, "The lists cannot be read."));
  show(<Aim />, "/p/7/aim?side=reviews");
  expect(await screen.findByText("The lists cannot be read.")).toBeTruthy();
});

it("puts a tag on a list, asks again with shift, and keeps the question open where it is refused", async () => {
  serve(REVIEWS, [review(1, "Spring")]);
  serve("GET /api/properties/7/tags", {
    total: 1,
    rows: [{ tag: "oar", items: 2, searches: 4, monthly: [], peaks: "", impressions: 0, twins: [], longer: [] }],
  });
  serve("GET /api/properties/7/demand/window", { weeks: [], countries: [] });
  serve("POST /api/properties/7/reviews/tags", new Problem(422, "Expected the name of a list."));
  localStorage.setItem("lucid-list-7", JSON.stringify({ list: "Winter", month: "2027-01" }));
  show(<Aim />, "/p/7/aim?side=tags");
  await userEvent.click(await screen.findByText("oar"));
  fireEvent.keyDown(screen.getByRole("grid"), { key: "L" });
  const dialog = within(await screen.findByRole("dialog"));
  expect((dialog.getByPlaceholderText("Spring tours") as HTMLInputElement).value).toBe("Winter");
  fireEvent.click(dialog.getByRole("button", { name: "Put on the list" }));
  expect(await screen.findByText("Expected the name of a list.")).toBeTruthy();
  expect(screen.getByRole("dialog")).toBeTruthy();
  serve("POST /api/properties/7/reviews/tags", { phrases: 1 });
  fireEvent.click(dialog.getByRole("button", { name: "Put on the list" }));
  await waitFor(() => expect(asked("POST /api/properties/7/reviews/tags")).toHaveLength(2));
  expect(asked("POST /api/properties/7/reviews/tags")[1].body).toEqual({
    list: "Winter",
    month: "2027-01",
    tags: ["oar"],
  });
});

it("shows tags only where items have any, and falls back where a view is not known", async () => {
  serve("GET /api/properties/7/keywords", { total: 0, rows: [] });
  serve("GET /api/properties/7/keywords/choices", {
    intents: [],
    topics: [],
    places: [],
    competition: [],
    countries: [],
    brand: 0,
    seasonal: 0,
    broad: false,
  });
  const site = show(<Aim />, "/p/7/aim?side=nowhere");
  expect(await screen.findByText(/No keywords yet/)).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Add a list" }));
  expect(await screen.findByLabelText(/One a line/)).toBeTruthy();
  const nav = () => within(screen.getByLabelText("Views of Aim"));
  expect(nav().getByRole("link", { name: "All keywords" }).getAttribute("aria-current")).toBe("page");
  expect(nav().queryByRole("link", { name: "Tags" })).toBeNull();
  expect(screen.queryByRole("button", { name: "broad searches" })).toBeNull();
  expect(screen.queryByLabelText("Country")).toBeNull();
  site.unmount();
  serve("GET /api/properties/7/standing", standing({ keywords: 0 }, { kind: "videos" }));
  show(<Aim />, "/p/7/aim");
  expect(await screen.findByRole("link", { name: "Tags" })).toBeTruthy();
  expect(screen.queryByText(/indexable items aim/)).toBeNull();
});

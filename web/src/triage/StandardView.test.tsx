import { fireEvent, screen, waitFor } from "@testing-library/react";
import { beforeEach, expect, it } from "vitest";
import { type Asked, asked, serve } from "../../testing/server";
import { show, standing } from "../../testing/view";
import { Triage } from "./Triage";

const SET = {
  title: { desktopPx: 580, mobilePx: 580, maxChars: 65, minPx: 200 },
  description: { desktopPx: 920, mobilePx: 700, maxChars: 165, minPx: 320 },
  tags: { max: 13, maxChars: 20, maxTotalChars: 500 },
  wording: { leadingWords: 5, maxRepeats: 2, maxPhrases: 3, maxEmoji: 1, openingChars: 60 },
  pages: { maxSlugChars: 75, maxAltChars: 125, minInbound: 10 },
  likeness: { nearTitles: 0.9, nearDescriptions: 0.8, maxSeries: 12, endingShare: 0.2, endingPx: 120 },
  generic: ["home", "untitled"],
  calls: ["book", "hire"],
  settlingDays: 91,
  off: ["title same-as-h1"],
};
const CHECKS = [
  { id: "title too-long", field: "title", label: "too long", limit: "at most 580 px" },
  { id: "title same-as-h1", field: "title", label: "same as the H1", limit: "" },
];
const VIEW = { set: SET, ready: SET, own: false, checks: CHECKS };

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing());
  serve("GET /api/properties/7/jobs", []);
  serve("GET /api/portfolio", [standing(), standing({}, { id: 8, name: "Shop" })]);
  serve("GET /api/properties/7/findings/spots", []);
  serve("GET /api/properties/7/findings/checks", []);
  serve("GET /api/properties/7/standard", VIEW);
  serve("POST /api/properties/7/standard/preview", ({ query }: Asked) => ({
    items: query.most ? 2_000 : 10_000,
    all: 40_000,
    added: 212,
    removed: 90,
    checks: [{ field: "title", check: "too-long", label: "title too long", before: 90, after: 302 }],
  }));
});

it("previews a change of limits and checks, applies it, and takes it back", async () => {
  show(<Triage />, "/p/7/triage?view=standard");
  const [length] = await screen.findAllByLabelText("Length, at most");
  fireEvent.change(length, { target: { value: "60" } });
  fireEvent.click(screen.getByLabelText("same as the H1"));
  fireEvent.click(screen.getByRole("button", { name: "Preview" }));
  await waitFor(() =>
    expect(screen.getByText(/It would add/).closest("p")?.textContent).toBe(
      "It would add 212 findings and take 90 away in 10,000 of 40,000 items, evenly chosen.",
    ),
  );
  expect(asked("POST /api/properties/7/standard/preview").map(({ query }) => query.most)).toEqual(["2000", undefined]);
  expect(screen.getByText("title too long: 90 → 302")).toBeTruthy();
  const wanted = { ...SET, title: { ...SET.title, maxChars: 60 }, off: [] };
  expect(asked("POST /api/properties/7/standard/preview")[0].body).toEqual(wanted);

  serve("PUT /api/properties/7/standard", { now: { ...VIEW, set: wanted, own: true }, before: SET, jobId: 4 });
  fireEvent.click(screen.getByRole("button", { name: "Apply" }));
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() => expect(asked("PUT /api/properties/7/standard")).toHaveLength(2));
  expect(asked("PUT /api/properties/7/standard").map(({ body }) => body)).toEqual([wanted, SET]);
});

it("takes over the standard of another property", async () => {
  serve("GET /api/properties/8/standard", { ...VIEW, set: { ...SET, settlingDays: 30 } });
  show(<Triage />, "/p/7/triage?view=standard");
  fireEvent.change(await screen.findByLabelText("Copy from another property"), { target: { value: "8" } });
  await waitFor(() =>
    expect((screen.getByLabelText("An item is young for") as HTMLInputElement).value).toBe("30 days"),
  );
});

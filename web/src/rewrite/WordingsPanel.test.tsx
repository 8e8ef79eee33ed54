import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { expect, it } from "vitest";
import { type Asked, asked, Problem, serve } from "../../testing/server";
import { cell, item, show } from "../../testing/view";
import { WordingsPanel } from "./WordingsPanel";

const FIT = cell("").fit;

const wording = (text: string, changes = {}) => ({
  ...{ text, fit: FIT, keywordAt: 0, lacks: [], reach: { searches: 900, keywords: 2 }, found: [] },
  ...{ left: { clicks: 0, low: 0, high: 0 }, likeRival: 0.4 },
  ...changes,
});

it("holds wordings side by side, adds an offer, and takes one by its number", async () => {
  let closed = 0;
  serve("GET /api/items/5", { ...item(5), title: cell("Kayak hire") });
  serve("POST /api/items/5/wordings", ({ body }: Asked) => ({
    wordings: (body as { texts: string[] }).texts.map((text, i) =>
      wording(text, i === 0 ? { lacks: ["cove"], found: [{ label: "title too short", evidence: "90 px" }] } : {}),
    ),
    offers: [{ text: "Sea kayak hire", says: "“sea” added", gained: 500 }],
    next: [],
    rivals: [
      { position: 1, address: "https://osprey.example/a", title: "Hire 2026", description: "", ours: false, fit: FIT },
      { position: 2, address: "https://tarrin.example/", title: "Ours", description: "", ours: true, fit: FIT },
    ],
    compared: { titles: 3, words: [{ what: "hire", titles: 3, ours: true }], features: [], letters: 40 },
  }));
  show(<WordingsPanel propertyId={7} itemId={5} field="title" onClose={() => closed++} />);
  const first = within(await screen.findByRole("listitem", { name: "Wording 1" }));
  expect(await first.findByText(/covers 900 searches a month \(2 keywords\)/)).toBeTruthy();
  expect(first.getByText("title too short").title).toBe("90 px");
  expect((first.getByRole("button", { name: "Take 1" }) as HTMLButtonElement).disabled).toBe(true);
  expect(screen.getByText("“sea” added, 500 searches a month more")).toBeTruthy();

  // Ours stands where it stood, and is moved up by hand.
  const places = () => [...document.querySelectorAll("ol > li small")].map((each) => each.textContent);
  expect(places()).toEqual(["osprey.example/a", "ours, wording 1"]);
  fireEvent.click(screen.getByRole("button", { name: "higher" }));
  expect(places()).toEqual(["ours, wording 1", "osprey.example/a"]);

  fireEvent.click(screen.getByRole("button", { name: "Add" }));
  expect((await screen.findByLabelText("Wording 2", { selector: "textarea" })).textContent).toBe("Sea kayak hire");
  serve("POST /api/properties/7/cells", new Problem(503, "Lucid Sweep does not answer. Is it still running?"));
  fireEvent.keyDown(document.documentElement, { key: "2" });
  expect(await screen.findByText("Lucid Sweep does not answer. Is it still running?")).toBeTruthy();
  expect(closed).toBe(0);
  serve("POST /api/properties/7/cells", {});
  fireEvent.keyDown(document.documentElement, { key: "2" });
  await waitFor(() => expect(closed).toBe(1));
  expect(asked("POST /api/properties/7/cells").at(-1)?.body).toEqual([
    { itemId: 5, field: "title", text: "Sea kayak hire", from: "Kayak hire" },
  ]);
});

import { fireEvent, screen, within } from "@testing-library/react";
import { expect, it } from "vitest";
import { asked, Problem, serve } from "../../testing/server";
import { item, show } from "../../testing/view";
import { ItemPhrases } from "./ItemPhrases";

const PHRASES = "GET /api/items/1/phrases";

const phrase = (text: string, words: number, count: number, places: string[], target = false) => ({
  text,
  words,
  count,
  share: count / 100,
  places,
  target,
  linked: places.includes("LINK"),
});

it("asks for the phrases once they are wanted, and shows how often and where each stands", async () => {
  serve(PHRASES, [
    ...Array.from({ length: 11 }, (_, i) => phrase(`word${i}`, 1, 20 - i, ["COPY"])),
    phrase("kayak hire", 2, 7, ["TITLE", "HEADING", "LINK"], true),
  ]);
  show(<ItemPhrases propertyId={7} item={item(1)} />);
  expect(asked(PHRASES)).toHaveLength(0);
  fireEvent.click(screen.getByText("Its phrases"));
  const line = within((await screen.findByText("kayak hire")).closest("li") as HTMLElement);
  expect(line.getByRole("img", { name: "title, headings, links to it" })).toBeTruthy();
  expect(line.getByTitle("7.0% of its words").textContent).toBe("7");
  expect(screen.queryByText("Three words")).toBeNull();
  expect(screen.queryByText("word10")).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "3 more" }));
  expect(screen.getByText("word10")).toBeTruthy();
});

it("says where nothing is written on an item, and what went wrong", async () => {
  serve(PHRASES, []);
  const first = show(<ItemPhrases propertyId={7} item={item(1)} />);
  fireEvent.click(screen.getByText("Its phrases"));
  expect(await screen.findByText("Nothing is written on it.")).toBeTruthy();
  first.unmount();
  serve(PHRASES, new Problem(404, "item 1 is gone"));
  show(<ItemPhrases propertyId={7} item={item(1)} />);
  fireEvent.click(screen.getByText("Its phrases"));
  expect(await screen.findByText("item 1 is gone")).toBeTruthy();
});

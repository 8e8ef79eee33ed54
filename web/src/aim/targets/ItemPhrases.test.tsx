import { fireEvent, screen, within } from "@testing-library/react";
import { expect, it } from "vitest";
import { asked, Problem, serve } from "../../../testing/server";
import { item, show } from "../../../testing/view";
import { ItemKeywords } from "./ItemKeywords";
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
  serve(PHRASES, new Problem(404, "Item 1 is gone."));
  show(<ItemPhrases propertyId={7} item={item(1)} />);
  fireEvent.click(screen.getByText("Its phrases"));
  expect(await screen.findByText("Item 1 is gone.")).toBeTruthy();
});

it("tells how well the title, description and H1 of an item serve each of its keywords", async () => {
  const KEYWORDS = "GET /api/items/1/keywords";
  const serving = (service: string, missing: string[] = []) => ({ service, missing });
  serve(KEYWORDS, [
    {
      keywordId: 4,
      phrase: "kayak hire gull cove",
      volume: 1300,
      role: "primary",
      byHand: true,
      reason: "in the title",
      title: serving("PARTLY", ["gull", "cove"]),
      description: serving("NOT_AT_ALL"),
      h1: serving("AT_ITS_START"),
    },
    {
      keywordId: 5,
      phrase: "hire a kayak",
      volume: null,
      role: "secondary",
      byHand: false,
      reason: "in the H1",
      title: serving("IN_OTHER_ORDER"),
      description: serving("EXACTLY"),
      h1: serving("EXACTLY"),
    },
  ]);
  const first = show(<ItemKeywords propertyId={7} item={item(1)} />);
  const line = (await screen.findByRole("link", { name: "kayak hire gull cove" })).closest("div") as HTMLElement;
  expect(line.textContent).toContain("1,300 searches a month, decided by hand");
  expect(within(line).getByText("gull cove")).toBeTruthy();
  expect(within(line).getByText("none of its words")).toBeTruthy();
  expect(within(line).getByText("at its start")).toBeTruthy();
  expect(screen.getByText("all its words, otherwise ordered")).toBeTruthy();
  first.unmount();
  serve(KEYWORDS, []);
  show(<ItemKeywords propertyId={7} item={item(1)} />);
  expect(await screen.findByText("It has no keyword yet.")).toBeTruthy();
});

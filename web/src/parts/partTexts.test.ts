import { expect, it } from "vitest";
import { joinParts, nameOf, partsInWords, partsOf } from "./partTexts";

const LINES = [
  "https://tarrin.example/img/boat.jpg\tA red boat",
  "/img/no text at all.jpg",
  "/img/line.svg\t",
  "/img/tabs.jpg\tone\ttwo",
].join("\n");

it("takes lines apart and joins them as they were", () => {
  expect(partsOf(LINES).map((part) => part.text)).toEqual(["A red boat", null, "", "one\ttwo"]);
  expect(joinParts(partsOf(LINES))).toBe(LINES);
  expect(partsOf("")).toEqual([]);
});

it("tells an image without a text from one that is decoration", () => {
  expect(partsInWords(LINES)).toBe(
    "boat.jpg: A red boat · no text at all.jpg: none · line.svg: decoration · tabs.jpg: one\ttwo",
  );
});

it.each([
  ["https://tarrin.example/tours/sea-caves/?from=shop#top", "sea-caves"],
  ["data:image/png;base64,AAAA", "an image in the page itself"],
  ["/?a=1", "/?a=1"],
])("calls %s by what it is called", (address, name) => expect(nameOf(address)).toBe(name));

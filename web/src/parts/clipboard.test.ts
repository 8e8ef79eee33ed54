import { expect, it } from "vitest";
import { cellsOf, tabbed } from "./clipboard";

it("takes cells apart as spreadsheets put them there", () => {
  expect(cellsOf('Teal\tash\r\nPlover\t"two\nlines ""and"" a\ttab"\r\n')).toEqual([
    ["Teal", "ash"],
    ["Plover", 'two\nlines "and" a\ttab'],
  ]);
  expect(cellsOf("")).toEqual([]);
  expect(cellsOf("one\n\nthree")).toEqual([["one"], [""], ["three"]]);
});

it("puts cells there so that they come back as they were", () => {
  const cells = [
    ["plain", 'a "quote"', "a\ttab"],
    ["", "two\nlines", "=2+2 ways"],
  ];
  expect(cellsOf(tabbed(cells))).toEqual(cells);
});

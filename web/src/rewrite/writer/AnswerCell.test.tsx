import { screen } from "@testing-library/react";
import { expect, it } from "vitest";
import { show } from "../../../testing/view";
import type { WriterCell } from "../../api/client";
import { AnswerCell } from "./AnswerCell";
import { Marked } from "./Marked";

const cell = (changes: Partial<WriterCell>): WriterCell => ({
  columnId: 1,
  itemId: 2,
  state: "done",
  answer: "Kayak hire at the slip",
  fit: null,
  problems: [],
  asked: 1,
  retried: 0,
  cost: 0,
  ...changes,
});

it.each([
  ["what waits", { state: "waiting", answer: null }, "waits"],
  ["what is asked again", { state: "waiting" }, "asked again, waits" + "Kayak hire at the slip"],
  ["what is done", {}, "Kayak hire at the slip"],
  [
    "what failed, and why",
    {
      state: "failed",
      problems: [
        { words: "", says: "it breaks off" },
        { words: "9", says: "“9” is not on the page" },
      ],
    },
    "it breaks off; “9” is not on the page" + "Kayak hire at the slip",
  ],
] as [string, Partial<WriterCell>, string][])("shows %s", (_, changes, text) => {
  show(
    <div data-testid="cell">
      <AnswerCell cell={cell(changes)} />
    </div>,
  );
  expect(screen.getByTestId("cell").textContent).toBe(text);
});

it("says how often it was asked", () => {
  show(<AnswerCell cell={cell({ asked: 2, retried: 3 })} />);
  const title = screen.getByTitle(/asked 2 times/).getAttribute("title");
  expect(title).toBe("Kayak hire at the slip\nasked 2 times\nthe service was tried 3 times more");
});

it("marks words once, in their places, and leaves what it does not find", () => {
  const marks = [
    { words: "£9", says: "not there" },
    { words: "Award", says: "not there" },
    { words: "Award-winning", says: "not there" },
    { words: "absent", says: "nowhere" },
  ];
  show(
    <p data-testid="text">
      <Marked text="Award-winning boats from £9 a day" marks={marks} />
    </p>,
  );
  const text = screen.getByTestId("text");
  expect(text.textContent).toBe("Award-winning boats from £9 a day");
  expect([...text.querySelectorAll("mark")].map((mark) => mark.textContent)).toEqual(["Award-winning", "£9"]);
});

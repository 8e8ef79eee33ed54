import { screen } from "@testing-library/react";
import { expect, it } from "vitest";
import { show } from "../../../testing/view";
import type { Cell, WriterCell } from "../../api/client";
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
      <AnswerCell cell={cell(changes)} now={null} ofParts={false} />
    </div>,
  );
  expect(screen.getByTestId("cell").textContent).toBe(text);
});

it("says that nothing is written yet, beside the text as it is", () => {
  const now = { captured: "Kayaks", draft: "Kayak hire" } as Cell;
  show(
    <p data-testid="texts">
      <AnswerCell cell={undefined} now={now} ofParts={false} />|
      <AnswerCell cell={undefined} now={{ ...now, draft: null }} ofParts={false} />|
      <AnswerCell cell={undefined} now={null} ofParts={false} />
    </p>,
  );
  expect(screen.getByTestId("texts").textContent).toBe(
    "not written yetKayak hire|not written yetKayaks|not written yet",
  );
});

it("says texts of images by the names of the images", () => {
  const now = { captured: "/img/oar.jpg\n/img/boat.jpg\tA boat", draft: null } as Cell;
  const written = cell({ answer: "/img/oar.jpg\tAn oar of ash" });
  const failed = cell({ answer: "An oar\nA boat", state: "failed" });
  show(
    <p data-testid="images">
      <AnswerCell cell={undefined} now={now} ofParts />|<AnswerCell cell={written} now={now} ofParts />|
      <AnswerCell cell={failed} now={now} ofParts />
    </p>,
  );
  expect(screen.getByTestId("images").textContent).toBe(
    "not written yetoar.jpg: none · boat.jpg: A boat|oar.jpg: An oar of ash|An oar\nA boat",
  );
});

it("says how often it was asked", () => {
  show(<AnswerCell cell={cell({ asked: 2, retried: 3 })} now={null} ofParts={false} />);
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

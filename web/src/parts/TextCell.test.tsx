import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, expect, it } from "vitest";
import type { Cell } from "../api/client";
import { TextCell } from "./TextCell";

const FIT = { px: 200, chars: 20, desktopLimit: 580, phoneLimit: 644, fitting: 100, says: "" };

const cell = (changes: Partial<Cell>): Cell => ({
  captured: "Kayak hire in Gull Cove",
  draft: null,
  state: null,
  kept: null,
  fit: FIT,
  lacks: [],
  ...changes,
});

afterEach(cleanup);

it("shows the draft where there is one, and the captured text one hover away", () => {
  const { container } = render(<TextCell cell={cell({ draft: "Hire a kayak in Gull Cove" })} />);
  expect(container.textContent).toContain("Hire a kayak in Gull Cove");
  expect(container.firstElementChild?.getAttribute("title")).toContain("Captured: Kayak hire in Gull Cove");
});

it("says in words what is wrong: none, over, lacking, the same, kept", () => {
  render(<TextCell cell={cell({ captured: " " })} />);
  expect(screen.getByText("none")).toBeTruthy();
  cleanup();
  const { container } = render(
    <TextCell
      cell={cell({
        fit: { ...FIT, px: 640, fitting: 10, says: "60 px over" },
        lacks: ["lessons"],
        kept: "the owner wants it",
      })}
      same="the same as /hire/"
    />,
  );
  expect(screen.getByText("60 px over")).toBeTruthy();
  expect(screen.getByText("lessons")).toBeTruthy();
  expect(screen.getByText("kept")).toBeTruthy();
  expect(screen.getByText("in Gull Cove")).toBeTruthy();
  expect(container.firstElementChild?.getAttribute("title")).toContain("the same as /hire/");
  expect(container.firstElementChild?.getAttribute("title")).toContain("Kept: the owner wants it");
});

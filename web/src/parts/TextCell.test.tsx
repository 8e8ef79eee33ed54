import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, expect, it } from "vitest";
import { cell as plain } from "../../testing/view";
import type { Cell } from "../api/client";
import { TextCell } from "./TextCell";

const FIT = plain("").fit as NonNullable<Cell["fit"]>;

const cell = (changes: Partial<Cell>): Cell => plain("Kayak hire in Gull Cove", changes);

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
        fit: { ...FIT, px: 640, fitting: 10, desktopFitting: 10, says: "60 px over" },
        lacks: ["lessons"],
        kept: "the owner wants it",
      })}
      same="the same as /hire/"
    />,
  );
  expect(screen.getByText("60 px over")).toBeTruthy();
  expect(screen.getByText("lessons")).toBeTruthy();
  expect(screen.getByText("kept")).toBeTruthy();
  const cover = container.querySelector<HTMLElement>("[style*='width: 39px']");
  expect(cover?.parentElement?.textContent).toBe("Kayak hire in Gull Cove");
  expect(container.firstElementChild?.getAttribute("title")).toContain("the same as /hire/");
  expect(container.firstElementChild?.getAttribute("title")).toContain("Kept: the owner wants it");
});

it("draws what runs over several lines with the places where it is cut", () => {
  const fit = { ...FIT, sizePx: 14, phoneSizePx: 14, desktopLimit: 920, desktopLines: 2, phoneLimit: 700 };
  const { container } = render(
    <TextCell cell={cell({ fit: { ...fit, px: 990, desktopFitting: 14, phoneFitting: 5, says: "70 px over" } })} />,
  );
  const text = container.querySelector("[class^=_lines]");
  const cuts = [...(text?.querySelectorAll("i") ?? [])];
  expect(cuts.map((cut) => cut.previousSibling?.textContent)).toEqual(["Kayak", " hire in "]);
  expect(cuts[1].nextSibling?.textContent).toBe("Gull Cove");
  expect(text?.textContent).toBe("Kayak hire in Gull Cove");
});

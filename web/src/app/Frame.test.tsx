import { fireEvent, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { Problem, serve } from "../../testing/server";
import { place, show, standing } from "../../testing/view";
import { Frame } from "./Frame";
import { StageRibbon } from "./StageRibbon";

beforeEach(() => {
  serve("GET /api/portfolio", [standing(), standing({ clientName: "Second client" }, { id: 8, name: "Shop" })]);
  serve("GET /api/properties/7/standing", standing());
});

const ribbon = () =>
  [...screen.getByRole("navigation", { name: "Stages" }).querySelectorAll("a")].map((stage) => ({
    says: stage.textContent,
    filled: (stage.querySelector("[style]") as HTMLElement).style.width,
  }));

it("shows at each stage the one count that matters, and how far the work has moved on", () => {
  const { unmount } = show(<StageRibbon propertyId={7} standing={standing()} />);
  expect(ribbon()).toEqual([
    { says: "Gather120 items", filled: "100%" },
    { says: "Aim35 aimed", filled: "35%" },
    { says: "Triage60 with findings", filled: "40%" },
    { says: "Rewrite8 drafted", filled: "17%" },
    { says: "Release4 delivered", filled: "33%" },
    { says: "Watch0 improved", filled: "0%" },
  ]);
  unmount();
  show(<StageRibbon propertyId={7} />);
  expect(ribbon().map((stage) => stage.says)[0]).toBe("Gather– items");
  expect(ribbon().every((stage) => stage.filled === "0%")).toBe(true);
});

it("finds by key, on the table in view or at the desk", async () => {
  const { unmount } = show(<Frame />, "/p/7/aim?side=items");
  fireEvent.keyDown(document.documentElement, { key: "/" });
  const find = screen.getByLabelText("Find items by address or text");
  expect(document.activeElement).toBe(find);
  await userEvent.type(find, "cave{Enter}");
  expect(place).toBe("/p/7/aim?side=items&q=cave");
  unmount();
  show(<Frame />, "/p/7/triage");
  await userEvent.type(screen.getByLabelText("Find items by address or text"), "cave{Enter}");
  expect(place).toBe("/p/7/rewrite?q=cave");
});

it("switches between properties, and lists the keys", async () => {
  show(<Frame />, "/p/7/triage");
  expect(await screen.findByText("Tarrin Bay website")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Choose a property" }));
  fireEvent.click(await screen.findByText("Shop"));
  expect(place).toBe("/p/8/gather");
  fireEvent.click(screen.getByRole("button", { name: "Help" }));
  expect(await screen.findByText("undo, redo the last batch")).toBeTruthy();
});

it("says what is wrong where there is no such property, with a way out", async () => {
  serve("GET /api/properties/7/standing", new Problem(404, "There is no property 7."));
  show(<Frame />, "/p/7/triage");
  expect((await screen.findByRole("alert")).textContent).toContain("There is no property 7.");
  expect(screen.getByRole("link", { name: "To all clients and properties" }).getAttribute("href")).toBe("/");
});

import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { asked, serve } from "../../testing/server";
import { show } from "../../testing/view";
import type { EditSpec, Part } from "../api/client";
import { FindRecipe } from "./FindRecipe";

const FOUND = "/api/properties/7/recipes/found";

it("takes the recipe that was found, and shows what it makes of the others", async () => {
  const parts = [{ sources: [{ kind: "H1", text: "" }], before: "", letterCase: "AS_IS", rank: 1 }];
  serve(`POST ${FOUND}`, {
    recipe: { parts },
    same: 3,
    of: 4,
    compared: [
      { address: "/a", text: "Kayak hire today", made: "Kayak hire" },
      { address: "/b", text: "Oars", made: "Oars" },
    ],
  });
  let taken: Part[] = [];
  const spec = { tool: "recipe", field: "title" } as EditSpec;
  show(
    <FindRecipe
      propertyId={7}
      spec={spec}
      selection={{ ids: [1, 2] }}
      onFound={(found) => {
        taken = found;
      }}
    />,
  );
  await userEvent.click(screen.getByText("Work one out from good titles"));
  await userEvent.click(screen.getByRole("button", { name: "From the selected ones" }));
  await waitFor(() => expect(taken).toEqual(parts));
  expect(asked(`POST ${FOUND}`)[0]?.body).toEqual({ field: "title", selection: { ids: [1, 2] } });
  expect(screen.getByText("It makes 3 of 4 as they are.")).toBeDefined();
  expect(screen.getByRole("list", { name: "What it makes of others" }).textContent).toBe("Kayak hire todayKayak hire");
});

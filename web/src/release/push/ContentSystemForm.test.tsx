import { fireEvent, screen, waitFor } from "@testing-library/react";
import { beforeEach, expect, it } from "vitest";
import { asked, serve } from "../../../testing/server";
import { show, standing } from "../../../testing/view";
import { ContentSystemForm } from "./ContentSystemForm";

const property = standing().property;

beforeEach(() => {
  serve("GET /api/properties/7/items/ids", [31]);
  serve("PUT /api/properties/7/content-system", { settings: null });
  serve("POST /api/properties/7/content-system/try", {
    address: "https://tarrin.example/oars/",
    problem: "",
    texts: [{ field: "title", there: "Oars", captured: "Oars of ash" }],
  });
});

it("is saved and tried on one item, with what is there beside what the last sweep saw", async () => {
  show(<ContentSystemForm property={property} settings={null} onClose={() => undefined} />, "/p/7/release");
  fireEvent.change(await screen.findByLabelText("Reached as"), { target: { value: "JSON" } });
  fireEvent.change(screen.getByLabelText("Read from"), { target: { value: "https://cms.example/pages?path={path}" } });
  fireEvent.change(screen.getByLabelText("Write to"), { target: { value: "https://cms.example/pages/{id}" } });
  fireEvent.change(screen.getByLabelText("Fields"), { target: { value: "title: meta.title\nh1: head line" } });
  fireEvent.change(screen.getByLabelText("Secret"), { target: { value: "tide" } });
  fireEvent.click(screen.getByRole("button", { name: "Save and try on one item" }));
  expect(await screen.findByText(/oars\/ was read; nothing was changed there/)).toBeTruthy();
  expect(screen.getByText(/the last sweep saw: Oars of ash/)).toBeTruthy();
  expect(asked("POST /api/properties/7/content-system/try")[0].query).toEqual({ itemId: "31" });
  const saved = asked("PUT /api/properties/7/content-system")[0].body;
  expect(saved).toMatchObject({
    kind: "JSON",
    secret: "tide",
    template: {
      read: "https://cms.example/pages?path={path}",
      fields: { title: "meta.title", h1: "head line" },
      headers: { Authorization: "Bearer {secret}" },
    },
  });
  // What was typed is not kept in the form, and not sent a second time.
  fireEvent.click(screen.getByRole("button", { name: "Save and try on one item" }));
  await waitFor(() => expect(asked("PUT /api/properties/7/content-system")).toHaveLength(2));
  expect(asked("PUT /api/properties/7/content-system")[1].body).not.toHaveProperty("secret");
});

import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, expect, it } from "vitest";
import { asked, serve } from "../../../testing/server";
import { show, standing } from "../../../testing/view";
import { Aim } from "../Aim";

const cell = (service: string, place: string, changes: object) => ({
  service,
  place,
  phrase: `${service} ${place}`.toLowerCase(),
  keywords: 1,
  volume: 90,
  itemId: null,
  address: null,
  aimed: false,
  ...changes,
});

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing());
  serve("GET /api/properties/7/jobs", []);
});

it("sets every service against every place, opens a combination, and adds those that are on no list", async () => {
  serve("GET /api/properties/7/places", {
    services: ["kayak hire", "seal tour"],
    chosen: false,
    places: ["Gull Cove", "Fennick"],
    cells: [
      cell("kayak hire", "Gull Cove", { itemId: 4, address: "https://t.example/hire/gull-cove/", aimed: true }),
      cell("kayak hire", "Fennick", { keywords: 0, volume: null }),
      cell("seal tour", "Gull Cove", { itemId: 5, address: "https://t.example/seals/" }),
      cell("seal tour", "Fennick", { volume: 1200 }),
    ],
  });
  serve("PUT /api/properties/7/places/services", {});
  serve("POST /api/properties/7/keywords", { added: 1 });
  show(<Aim />, "/p/7/aim?side=places");
  expect(await screen.findByText("4 combinations")).toBeTruthy();
  expect(screen.getByText(/2 of them have no page/)).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "seal tour fennick: 1,200 searches a month, no page" }));
  expect(within(screen.getByLabelText("seal tour fennick")).getByText(/See the page that could be added/)).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "kayak hire gull cove: 90 searches a month, /hire/gull-cove/" }));
  expect(screen.getByLabelText("kayak hire gull cove").textContent).toContain(
    "/hire/gull-cove/ has it as its keyword.",
  );
  fireEvent.click(screen.getByRole("button", { name: "Add 1 keyword" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/keywords")[0]?.body).toEqual({ text: "keyword\nkayak hire fennick" }),
  );
  fireEvent.click(screen.getByRole("button", { name: "Choose the services" }));
  fireEvent.change(screen.getByLabelText(/Services, one a line/), { target: { value: "canoe repair\nseal tour" } });
  fireEvent.click(screen.getByRole("button", { name: "Show these" }));
  await waitFor(() =>
    expect(asked("PUT /api/properties/7/places/services")[0]?.body).toEqual({
      services: ["canoe repair", "seal tour"],
    }),
  );
});

it("shows how the brand is written, and how else it is likely to be", async () => {
  serve("GET /api/properties/7/brand", {
    names: ["Tarrin Bay Kayaks"],
    found: [
      {
        text: "tarrinbay kayaks",
        kind: "JOINED_UP",
        queries: 2,
        clicks: 66,
        impressions: 150,
        position: 1.3,
        searches: null,
      },
    ],
    likely: ["tarrni bay kayaks"],
  });
  show(<Aim />, "/p/7/aim?side=brand");
  const link = await screen.findByRole("link", { name: "tarrinbay kayaks" });
  expect(link.getAttribute("href")).toBe("/p/7/aim?side=demand&q=tarrinbay+kayaks");
  expect(screen.getByText("joined up")).toBeTruthy();
  expect(screen.getByText("tarrni bay kayaks")).toBeTruthy();
});

it("says what is missing where no combination can be made", async () => {
  const none = { services: [], chosen: false, places: [], cells: [] };
  serve("GET /api/properties/7/places", none);
  const first = show(<Aim />, "/p/7/aim?side=places");
  expect(await screen.findByText(/The client has no places yet/)).toBeTruthy();
  first.unmount();
  serve("GET /api/properties/7/places", { ...none, places: ["Fennick"] });
  show(<Aim />, "/p/7/aim?side=places");
  expect(await screen.findByText(/No keyword names a service/)).toBeTruthy();
});

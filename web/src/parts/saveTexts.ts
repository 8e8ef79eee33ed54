import { answer, api, type TypedCell } from "../api/client";

/** Saves texts as they were typed: answered once they are on the disk. An event tells when it is known what is found of them. */
export const saveTexts = (propertyId: number, cells: TypedCell[]) =>
  answer(
    api.POST("/api/properties/{propertyId}/cells", {
      params: { path: { propertyId }, header: { Prefer: "wait=0" } },
      body: cells,
    }),
  );

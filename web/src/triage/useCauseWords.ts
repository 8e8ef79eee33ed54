import { answer, api, type Cause } from "../api/client";
import { useChange } from "../api/queries";

/** What is said of causes; what is left out stays as it was. */
interface CauseWords {
  causes: Cause[];
  name?: string;
  merged?: string;
  aside?: boolean;
  reason?: string;
  untilMonth?: string;
}

/** Writes down what is said of causes: another name, that they are one, or that they are set aside. */
export function useCauseWords(propertyId: number) {
  return useChange(propertyId, ({ causes, ...words }: CauseWords) =>
    answer(
      api.PUT("/api/properties/{propertyId}/causes/note", {
        params: { path: { propertyId } },
        body: {
          causes: causes.map(({ field, check, shared, section, trait }) => ({ field, check, shared, section, trait })),
          ...words,
        },
      }),
    ),
  );
}

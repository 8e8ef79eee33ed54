import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { answer, api, type Property } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { of } from "../parts/number";
import css from "./Gather.module.css";

const nameOf = (code: string) => new Intl.DisplayNames("en-GB", { type: "language" }).of(code) ?? code;

/** Says that most pages are in another language than the property is set to, and offers to set it. */
export function LanguageNotice({ property }: { property: Property }) {
  const language = useQuery({
    queryKey: ofProperty(property.id, "language"),
    queryFn: () =>
      answer(api.GET("/api/properties/{propertyId}/language", { params: { path: { propertyId: property.id } } })),
  });
  const change = useChange(property.id, (code: string) => {
    const { clientId, kind, name, address, privateAllowed } = property;
    return answer(
      api.PUT("/api/properties/{id}", {
        params: { path: { id: property.id } },
        body: { clientId, kind, name, address, privateAllowed, language: code },
      }),
    );
  });
  const other = language.data?.other;
  if (!other) return null;
  return (
    <p role="status" className={css.language}>
      {of(other.items, "page")} say they are in {nameOf(other.code)}; the property is set to {nameOf(property.language)}
      .{" "}
      <Button size="compact-xs" variant="default" loading={change.isPending} onClick={() => change.mutate(other.code)}>
        Set it to {nameOf(other.code)}
      </Button>
    </p>
  );
}

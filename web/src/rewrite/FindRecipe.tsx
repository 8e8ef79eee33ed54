import { Button } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { answer, api, type EditSpec, type Part, type Selection } from "../api/client";
import { count } from "../parts/number";
import css from "./Rewrite.module.css";

interface Props {
  propertyId: number;
  spec: EditSpec;
  selection: Selection;
  onFound: (parts: Part[]) => void;
}

/** Works out the recipe behind texts that are good as they are: those of the selected items, or those clicked best. */
export function FindRecipe({ propertyId, spec, selection, onFound }: Props) {
  const field = spec.field;
  const find = useMutation({
    mutationFn: (from: "selected" | "best") =>
      answer(
        api.POST("/api/properties/{propertyId}/recipes/found", {
          params: { path: { propertyId } },
          body: { field: field ?? "title", selection: from === "selected" ? selection : null },
        }),
      ),
    onSuccess: (found) => onFound(found.recipe.parts),
  });
  if (field !== "title" && field !== "description") return null;
  const found = find.data;
  const others = found?.compared.filter(({ text, made }) => text !== made) ?? [];
  return (
    <details className={css.partMore}>
      <summary>Work one out from good {field}s</summary>
      <div className={css.row}>
        <Button
          size="compact-xs"
          variant="default"
          loading={find.isPending && find.variables === "best"}
          onClick={() => find.mutate("best")}
        >
          From those clicked best
        </Button>
        <Button
          size="compact-xs"
          variant="default"
          loading={find.isPending && find.variables === "selected"}
          onClick={() => find.mutate("selected")}
        >
          From the selected ones
        </Button>
      </div>
      {find.error && <p role="alert">{find.error.message}</p>}
      {found && (
        <p role="status">
          It makes {count(found.same)} of {count(found.of)} as they are.
        </p>
      )}
      {others.length > 0 && (
        <ul className={css.compared} aria-label="What it makes of others">
          {others.slice(0, 5).map(({ address, text, made }) => (
            <li key={address}>
              <b>{text}</b>
              <span>{made || "nothing"}</span>
            </li>
          ))}
        </ul>
      )}
    </details>
  );
}

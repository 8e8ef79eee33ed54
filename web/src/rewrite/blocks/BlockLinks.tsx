import { Button } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { answer, api } from "../../api/client";
import { of } from "../../parts/number";
import css from "./Blocks.module.css";

/** Asks for every address in the blocks, whether anything answers there. */
export function BlockLinks({ propertyId }: { propertyId: number }) {
  const check = useMutation({
    mutationFn: () =>
      answer(api.POST("/api/properties/{propertyId}/blocks/links", { params: { path: { propertyId } } })),
  });
  const broken = check.data?.filter((link) => !link.works) ?? [];
  return (
    <>
      <Button size="compact-xs" variant="default" loading={check.isPending} onClick={() => check.mutate()}>
        Check the links
      </Button>
      {check.error && <p role="alert">{check.error.message}</p>}
      {check.data && (
        <div role="status" className={css.links}>
          <p>
            {check.data.length === 0
              ? "There is no link in the blocks."
              : broken.length === 0
                ? `${of(check.data.length, "link")}, each of them answers.`
                : `${of(broken.length, "link")} of ${check.data.length} ${broken.length === 1 ? "does" : "do"} not work:`}
          </p>
          {broken.map((link) => (
            <p key={link.address}>
              {link.address} ({link.block}) {link.says}
            </p>
          ))}
        </div>
      )}
    </>
  );
}

import { useDebouncedValue } from "@mantine/hooks";
import { useEffect, useState } from "react";
import { answer, api, type EditSpec, type Figures, type Selection } from "../api/client";

/** What an edit would do: asked as it is put together, followed until all figures are there. */
export function usePreview(propertyId: number, selection: Selection, spec: EditSpec | undefined) {
  const [figures, setFigures] = useState<Figures>();
  const [problem, setProblem] = useState<string>();
  const [asked] = useDebouncedValue(spec ? JSON.stringify({ selection, spec }) : "", 200);
  useEffect(() => {
    setProblem(undefined);
    if (!asked) {
      setFigures(undefined);
      return;
    }
    const abort = new AbortController();
    const { signal } = abort;
    let underWay: string | undefined;
    const follow = async () => {
      let found = await answer(
        api.POST("/api/properties/{propertyId}/previews", {
          params: { path: { propertyId } },
          body: JSON.parse(asked),
          signal,
        }),
      );
      setFigures(found);
      underWay = found.complete ? undefined : found.token;
      while (!found.complete && !signal.aborted) {
        found = await answer(api.GET("/api/previews/{token}", { params: { path: { token: found.token } }, signal }));
        setFigures(found);
        if (found.complete) underWay = undefined;
      }
      if (found.problem) setProblem(found.problem);
    };
    follow().catch((error: Error) => {
      if (signal.aborted) return;
      setFigures(undefined);
      setProblem(error.message);
    });
    return () => {
      abort.abort();
      // What nobody waits for any more is not worked out.
      if (underWay) api.DELETE("/api/previews/{token}", { params: { path: { token: underWay } } });
    };
  }, [asked, propertyId]);
  return { figures, problem };
}

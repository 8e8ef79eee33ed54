import { useState } from "react";
import { type Conflict, Problem } from "../api/client";
import { tellProblem } from "./tell";

/** What was changed meanwhile, and how to go on in spite of it. */
export function useConflicts() {
  const [pending, setPending] = useState<{ conflicts: Conflict[]; insist: () => void }>();
  return {
    /** Shows the conflicts of a refusal; says in words what else went wrong. */
    meet: (problem: Error, insist: () => void) => {
      if (problem instanceof Problem && problem.conflicts.length > 0) {
        setPending({ conflicts: problem.conflicts, insist });
      } else tellProblem(problem);
    },
    dialog: {
      conflicts: pending?.conflicts,
      onInsist: () => pending?.insist(),
      onClose: () => setPending(undefined),
    },
  };
}

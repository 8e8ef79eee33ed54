import { useEffect, useRef } from "react";
import type { ItemRow } from "../api/client";
import { FitRuler } from "../parts/FitRuler";
import { useLooks } from "../parts/useLooks";
import css from "./Rewrite.module.css";

interface Props {
  propertyId: number;
  row: ItemRow;
  field: string;
  value: string;
  onChange: (value: string) => void;
}

/** A text while it is typed into its cell, measured at every letter. */
export function CellEditor({ propertyId, row, field, value, onChange }: Props) {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    input.current?.focus();
    input.current?.setSelectionRange(input.current.value.length, input.current.value.length);
  }, []);
  const title = field === "title" ? value : "";
  const description = field === "description" ? value : "";
  const looks = useLooks(propertyId, row.id, title, description, row.aim?.keyword ?? "");
  const fit = field === "tags" ? undefined : looks.data?.[field as "title" | "description"].fit;
  return (
    <span className={css.editor}>
      <input
        ref={input}
        value={value}
        aria-label={`${field} of ${row.address}`}
        onChange={(event) => onChange(event.currentTarget.value)}
      />
      {fit && (
        <span className={fit.says ? css.measureOver : css.measure}>{fit.says || `${Math.round(fit.px)} px`}</span>
      )}
      {fit && <FitRuler fit={fit} />}
    </span>
  );
}

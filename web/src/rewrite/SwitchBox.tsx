import { useEffect, useRef } from "react";
import css from "./CellEditor.module.css";

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
}

/** The indexing switch while it is edited; "n" and "i" choose, too. */
export function SwitchBox({ label, value, onChange }: Props) {
  const box = useRef<HTMLSelectElement>(null);
  const meant = value.startsWith("n") ? "noindex" : "index";
  useEffect(() => box.current?.focus(), []);
  useEffect(() => {
    if (value !== meant) onChange(meant);
  }, [value, meant, onChange]);
  return (
    <select
      ref={box}
      className={css.switch}
      aria-label={label}
      value={meant}
      onChange={(event) => onChange(event.currentTarget.value)}
    >
      <option value="index">index</option>
      <option value="noindex">noindex</option>
    </select>
  );
}

import { NumberInput, type NumberInputProps } from "@mantine/core";
import { useState } from "react";

interface Props extends Omit<NumberInputProps, "value" | "defaultValue" | "onChange"> {
  start: number | undefined;
  /** Says the amount; undefined while there is none. */
  onAmount: (amount: number | undefined) => void;
}

/** A number that may have decimals: "1." is on the way to "1.5" and stays as it was typed. */
export function AmountInput({ start, onAmount, ...rest }: Props) {
  const [typed, setTyped] = useState<string | number>(start ?? "");
  return (
    <NumberInput
      min={0}
      {...rest}
      value={typed}
      onChange={(value) => {
        setTyped(value);
        const amount = typeof value === "number" ? value : Number.parseFloat(value);
        onAmount(Number.isFinite(amount) ? amount : undefined);
      }}
    />
  );
}

import { Button, type ButtonProps, FileButton } from "@mantine/core";
import { useRef } from "react";

interface Props extends ButtonProps {
  accept: string;
  label: string;
  onFile: (file: File) => void;
}

/** A button that asks for a file; the same one can be chosen once more, as after it was refused. */
export function ChooseFile({ accept, label, onFile, ...button }: Props) {
  const reset = useRef<() => void>(null);
  const take = (file: File | null) => {
    if (!file) return;
    onFile(file);
    reset.current?.();
  };
  return (
    <FileButton resetRef={reset} accept={accept} onChange={take}>
      {(props) => (
        <Button variant="default" {...button} {...props}>
          {label}
        </Button>
      )}
    </FileButton>
  );
}

interface IconProps {
  /** Its width and height, in px. */
  size: number;
}

/** An icon of lines on 24 × 24; what it means is said beside it or by its button. */
function Lines({ d, size }: IconProps & { d: string }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      fill="none"
      stroke="currentColor"
      strokeWidth={2}
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden
    >
      <path d={d} />
    </svg>
  );
}

export const IconArrowDown = ({ size }: IconProps) => <Lines d="M12 5v14M6 13l6 6 6-6" size={size} />;
export const IconArrowUp = ({ size }: IconProps) => <Lines d="M12 19V5M6 11l6-6 6 6" size={size} />;
export const IconChevronDown = ({ size }: IconProps) => <Lines d="M6 9l6 6 6-6" size={size} />;
export const IconChevronUp = ({ size }: IconProps) => <Lines d="M6 15l6-6 6 6" size={size} />;
export const IconColumns = ({ size }: IconProps) => (
  <Lines d="M6 4h12a2 2 0 0 1 2 2v12a2 2 0 0 1-2 2H6a2 2 0 0 1-2-2V6a2 2 0 0 1 2-2zM9.5 4v16M14.5 4v16" size={size} />
);
export const IconDots = ({ size }: IconProps) => <Lines d="M5 12h.01M12 12h.01M19 12h.01" size={size} />;
export const IconDownload = ({ size }: IconProps) => <Lines d="M12 4v12M7 11l5 5 5-5M5 20h14" size={size} />;
export const IconHelp = ({ size }: IconProps) => (
  <Lines
    d="M12 3a9 9 0 1 1 0 18 9 9 0 0 1 0-18zM9.5 9.6a2.5 2.5 0 1 1 3.7 2.2c-.8.4-1.2.9-1.2 1.8M12 17v.01"
    size={size}
  />
);
export const IconMoon = ({ size }: IconProps) => (
  <Lines d="M20 14.5A8.5 8.5 0 1 1 9.5 4 7 7 0 0 0 20 14.5z" size={size} />
);
export const IconPaperclip = ({ size }: IconProps) => (
  <Lines
    d="M20 11.5l-8 8a5 5 0 0 1-7-7L13.5 4a3.3 3.3 0 0 1 4.7 4.7l-8.5 8.5a1.7 1.7 0 0 1-2.4-2.4L15 7.1"
    size={size}
  />
);
export const IconPhoto = ({ size }: IconProps) => (
  <Lines
    d="M5 4h14a2 2 0 0 1 2 2v12a2 2 0 0 1-2 2H5a2 2 0 0 1-2-2V6a2 2 0 0 1 2-2zM9 9.5h.01M4 18l5-5 4 4 3-3 4 4"
    size={size}
  />
);
export const IconPin = ({ size }: IconProps) => <Lines d="M9 4h6M10 4v6l-3 4h10l-3-4V4M12 14v6" size={size} />;
export const IconX = ({ size }: IconProps) => <Lines d="M6 6l12 12M18 6L6 18" size={size} />;

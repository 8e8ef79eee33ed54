/// <reference types="vite/client" />
declare module "@tabler/icons-react/dist/esm/icons/*.mjs" {
  import type { ComponentType } from "react";

  const icon: ComponentType<{ size?: number; "aria-hidden"?: boolean }>;
  export default icon;
}
declare module "*.css";

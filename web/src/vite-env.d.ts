/// <reference types="vite/client" />
declare module "*.css";

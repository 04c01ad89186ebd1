declare module "*.woff2" {
  const href: string;
  export default href;
}

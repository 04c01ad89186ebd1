/** The layers of docs/architecture.md: who may import whom. Each rule names a layer and what it must not reach. */
const layer = (name, from, allowed) => ({
  name,
  severity: "error",
  from: { path: from },
  to: { path: "^(src|demo|e2e|bench|scripts)/", pathNot: allowed },
});

module.exports = {
  forbidden: [
    layer("core-imports-only-core", "^src/core/", "^src/core/"),
    layer("catalogue-imports-core", "^src/catalogue/", "^src/(catalogue|core)/"),
    layer("db-imports-nothing-above", "^src/db/", "^src/(db|core)/"),
    // Records are tested through the views that read them.
    {
      ...layer("records-import-core-catalogue-db", "^src/records/", "^src/(records|core|catalogue|db)/"),
      from: { path: "^src/records/", pathNot: "^src/records/tests/" },
    },
    layer("views-import-records-core-catalogue", "^src/views/", "^src/(views|records|core|catalogue|db)/"),
    {
      ...layer("the-page's-worker-runs-the-core", "^src/workers/", "^src/(workers|core)/"),
      from: { path: "^src/workers/", pathNot: "^src/workers/server" },
    },
    layer(
      "the-server's-worker-reads-records-and-views",
      "^src/workers/server",
      "^src/(workers|views|records|core|catalogue|db)/",
    ),
    layer("ui-imports-days-and-writing", "^src/ui/", "^src/(ui|core/(writing|calendar)/)"),
    layer("screens-import-ui-core-and-types", "^src/screens/", "^src/(screens|ui|core|records|views|workers)/"),
    {
      name: "screens-take-only-types-from-the-server",
      severity: "error",
      from: { path: "^src/screens/" },
      // The calling end of the runner of jobs is the page's own; forms are drawn from the records' definitions.
      to: {
        path: "^src/(records|views|workers)/",
        pathNot: ["^src/workers/jobs\\.ts$", "^src/records/([^/]+)/\\1\\.ts$"],
        dependencyTypesNot: ["type-only"],
      },
    },
    {
      name: "a-screen-needs-no-other-screen",
      severity: "error",
      from: { path: "^src/screens/([^/]+)/" },
      to: { path: "^src/screens/", pathNot: "^src/screens/($1|common)/" },
    },
    layer("the-application-never-reaches-outside-src", "^src/", "^src/"),
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    { name: "resolves", severity: "error", from: {}, to: { couldNotResolve: true } },
    {
      name: "core-has-no-interface",
      severity: "error",
      from: { path: "^src/core/" },
      to: { path: "node_modules/(react|react-dom|next|better-sqlite3)/" },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "^(\\.next|node_modules/\\.cache)" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "node", "default", "types"] },
  },
};

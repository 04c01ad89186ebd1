import { METHODS } from "@/catalogue/methods";

export function GET(): Response {
  return Response.json({
    methods: METHODS.map(({ name, what, source, schema }) => ({ name, what, source, input: schema.describe() })),
  });
}

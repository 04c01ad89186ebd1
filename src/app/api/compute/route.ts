import { COMPUTATIONS } from "@/core/computations";

export function GET(): Response {
  return Response.json({
    methods: COMPUTATIONS.map(({ name, what, source, schema }) => ({ name, what, source, input: schema.describe() })),
  });
}

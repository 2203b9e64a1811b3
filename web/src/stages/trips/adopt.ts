/** Taking over a set of parts: into this variant, or into a new one beside it. */
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, type PatchOp, take } from "../../data/client";
import { useVariant } from "../../data/variant";
import { says } from "../../words/trips";

export function useAdopt() {
  const { id, edit } = useVariant();
  const go = useNavigate();
  const client = useQueryClient();
  const beside = useMutation({
    mutationFn: ({ name, ops }: { name: string; ops: PatchOp[] }) =>
      take(api.POST("/api/variants/{variant_id}/copy", { params: { path: { variant_id: id } }, body: { name: name.slice(0, 120), ops: ops as never } })),
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: ["projects"] });
      go(`/v/${made.id}/trips`);
    },
  });
  return { here: (ops: PatchOp[], name: string) => edit(ops, says("took-over", { name }).slice(0, 200)), beside };
}

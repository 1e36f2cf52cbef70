import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, client, type Schemas } from "./client";
import { keys } from "./keys";
import { queries } from "./queries";

/** The present password, and a code where a second factor is set up: what every change asks for. */
export type ByOwner = { password: string; code?: string };

export const useAccount = () => useQuery({ queryKey: keys.account, queryFn: () => answer(client.GET("/api/account")) });

/** Something that changes the account; what is shown of it is fetched again afterwards. */
export function useChange<In, Out>(change: (body: In) => Promise<Out>) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async () => {
      await cache.invalidateQueries({ queryKey: keys.account });
      await cache.invalidateQueries({ queryKey: queries.session.queryKey });
    },
  });
}

export const account = {
  change: (body: ByOwner & { name: string; email: string }) => answer(client.PUT("/api/account", { body })),
  password: (body: ByOwner & { new: string }) => answer(client.PUT("/api/account/password", { body })),
  endSession: (session: string) =>
    answer(client.DELETE("/api/account/sessions/{session}", { params: { path: { session } } })),
  endOthers: () => answer(client.DELETE("/api/account/sessions")),
  newFactor: (body: ByOwner) => answer(client.POST("/api/account/second-factor", { body })),
  confirmFactor: (code: string) => answer(client.PUT("/api/account/second-factor", { body: { code } })),
  dropFactor: (body: ByOwner) => answer(client.POST("/api/account/second-factor/drop", { body })),
  link: (body: ByOwner & { email: string }) => answer(client.POST("/api/account/reset-links", { body })),
  erase: (body: ByOwner) => answer(client.POST("/api/account/erase", { body })),
  askLetter: (email: string) => answer(client.POST("/api/reset", { body: { email } })),
  setLost: (token: string, password: string) =>
    answer(client.POST("/api/reset/{token}", { params: { path: { token } }, body: { password } })),
};

/** Whose password a link sets. */
export const useReset = (token: string) =>
  useQuery({
    queryKey: ["reset", token],
    queryFn: () => answer(client.GET("/api/reset/{token}", { params: { path: { token } } })),
    retry: false,
  });

export type AccountView = Schemas["AccountView"];

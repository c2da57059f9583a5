package riposo.server.run.internal;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface WithdrawalStore extends Store<WithdrawalRow> {
  List<WithdrawalRow> findByRunId(UUID runId);

  List<WithdrawalRow> findByClientId(UUID clientId);

  List<WithdrawalRow> findByClientIdIn(Collection<UUID> clients);
}

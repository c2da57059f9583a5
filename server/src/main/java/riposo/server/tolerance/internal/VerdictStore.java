package riposo.server.tolerance.internal;

import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface VerdictStore extends Store<VerdictRow> {
  List<VerdictRow> findByClientIdOrderByOnDateAscCreatedAtAsc(UUID clientId);

  List<VerdictRow> findByStatus(VerdictRow.Status status);
}

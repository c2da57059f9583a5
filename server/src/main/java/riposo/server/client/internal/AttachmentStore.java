package riposo.server.client.internal;

import java.util.List;
import java.util.UUID;
import riposo.server.platform.Store;

interface AttachmentStore extends Store<AttachmentRow> {
  List<AttachmentRow> findByClientIdOrderByCreatedAt(UUID clientId);
}

package riposo.server.client.internal;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import riposo.server.platform.Store;

interface ClientStore extends Store<ClientRow> {
  /** The client, held until the transaction ends. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("from Client c where c.id = :id")
  Optional<ClientRow> lock(UUID id);

  int countByRoomId(UUID roomId);

  List<ClientRow> findByIdIn(Collection<UUID> ids);

  /** Those in use whose name holds it, in any letters. */
  Page<ClientRow> findByArchivedOnIsNullAndNameContainingOrderByNameAscIdAsc(
      String name, Pageable page);
}

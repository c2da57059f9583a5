package riposo.server.platform;

import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Puts rows away and takes them out again; done twice it is done once. */
@Component
public class Archive {
  private final Audit audit;
  private final Studios studios;

  Archive(Audit audit, Studios studios) {
    this.audit = audit;
    this.studios = studios;
  }

  /**
   * The row, put away or in use as asked; a 404 problem where there is none.
   *
   * @param what the word for such a row, as in the record of changes
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public <T extends Archivable> T set(Store<T> store, UUID id, String what, boolean archived) {
    T row = store.require(id, what);
    if (row.archived() != archived) {
      row.archivedOn = archived ? studios.today() : null;
      store.saveAndFlush(row);
      audit.changed(archived ? "archived" : "restored", what, id, row.name, row.about());
    }
    return row;
  }
}

package riposo.server.platform;

import jakarta.persistence.Column;
import jakarta.persistence.MappedSuperclass;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A named row that is put away and taken out again, and never lost. */
@MappedSuperclass
public abstract class Archivable extends Owned {
  public String name;

  /** The studio's day on which it was put away; null while it is in use. */
  @Column(name = "archived_on")
  public @Nullable LocalDate archivedOn;

  @SuppressWarnings("NullAway.Init")
  protected Archivable() {}

  public boolean archived() {
    return archivedOn != null;
  }

  /** The client it is about, for the record of changes; null where it is about none. */
  public @Nullable UUID about() {
    return null;
  }
}

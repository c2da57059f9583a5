package riposo.server.client.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import riposo.core.plan.Mobility;
import riposo.core.tolerance.School;
import riposo.server.platform.Archivable;
import riposo.server.platform.StampedItself;

/** A client as stored. */
@Entity(name = "Client")
@Table(name = "client")
class ClientRow extends Archivable implements StampedItself {
  @Column(name = "birth_date")
  public LocalDate birthDate;

  public @Nullable String email;
  public @Nullable String goal;
  public @Nullable String facts;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  public Mobility mobility = Mobility.USUAL;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  public School school = School.PAIN_FREE;

  @Column(name = "school_by")
  public @Nullable String schoolBy;

  @Column(name = "usual_pain")
  public int usualPain;

  @Column(name = "goal_effort")
  public int goalEffort = 6;

  @Column(name = "no_progression")
  public boolean noProgression;

  @Column(name = "second_check_in")
  public boolean secondCheckIn;

  @Column(columnDefinition = "longtext")
  public String kit;

  @Column(columnDefinition = "longtext")
  public String record = "{}";

  @Column(name = "room_id")
  public @Nullable UUID roomId;

  @Override
  public UUID about() {
    return id;
  }
}

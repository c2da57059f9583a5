package riposo.server.group.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalTime;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.server.platform.Archivable;
import riposo.server.platform.Unstamped;

/** A group as stored. */
@Unstamped("read whenever it is shown")
@Entity(name = "TrainingGroup")
@Table(name = "training_group")
class GroupRow extends Archivable {

  @Column(name = "room_id")
  @Nullable UUID roomId;

  @Column(name = "plan_id")
  @Nullable UUID planId;

  int lanes;

  /** 1 Monday to 7 Sunday; null when it meets on no fixed day. */
  @Nullable Integer weekday;

  @Column(name = "at_time")
  @Nullable LocalTime atTime;
}

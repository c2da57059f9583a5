package riposo.server.diary.internal;

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
import riposo.server.diary.Diary;
import riposo.server.platform.Owned;

/** An entry of the diary's own. */
@Entity(name = "DiaryEntry")
@Table(name = "diary_entry")
class DiaryRow extends Owned {
  @Column(name = "client_id")
  UUID clientId;

  @Enumerated(EnumType.STRING)
  @JdbcTypeCode(SqlTypes.VARCHAR)
  Diary.Kind kind = Diary.Kind.NOTE;

  @Column(name = "on_date")
  LocalDate onDate;

  @Column(name = "until_date")
  @Nullable LocalDate untilDate;

  @Nullable String words;

  @Column(name = "told_by")
  String toldBy;
}

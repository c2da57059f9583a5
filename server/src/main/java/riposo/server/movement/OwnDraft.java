package riposo.server.movement;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.catalogue.CatalogueException;
import riposo.catalogue.OwnMovements;
import riposo.catalogue.OwnMovements.Own;
import riposo.server.platform.Problems;
import tools.jackson.core.JacksonException;

/** A movement of one's own while it is written: read against what is there, or what is wrong. */
public final class OwnDraft {
  private OwnDraft() {}

  /**
   * Reads one movement's document.
   *
   * @param replaces the own movement it takes the place of; null for a new one
   * @throws CatalogueException naming every problem, fields relative to the movement
   */
  public static Own read(
      String document, Movements movements, List<Own> there, @Nullable String replaces) {
    List<Own> others = new ArrayList<>(there);
    others.removeIf(o -> o.movement().id().equals(replaces));
    String wrapped;
    try {
      wrapped = OwnMovements.write(List.of(OwnMovements.document(document)));
    } catch (JacksonException | ClassCastException e) {
      throw Problems.field("/document", "This is not a movement's document.");
    }
    return OwnMovements.read("movement", wrapped, movements.shipped(), others).get(0);
  }

  /** The problems of one movement as fields. */
  public static List<Problems.Field> fields(CatalogueException e) {
    return e.details().stream()
        .limit(20)
        .map(p -> new Problems.Field(p.field().replaceFirst("^/movements/0", ""), p.words()))
        .toList();
  }
}

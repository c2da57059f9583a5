package riposo.catalogue;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Dose;
import riposo.core.movement.Modifier;
import riposo.core.plan.Timeline;
import riposo.core.run.DoneSet;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * A run as an open document, "riposo-run/1" (runs/run.schema.json): the sheet it was started with
 * and everything that happened. Reading what was written gives the same run.
 *
 * @param events in the order they are kept in
 */
public record RunDocument(RunSheet sheet, List<RunEvent> events) {
  /** Name and version of the document. */
  public static final String FORMAT = "riposo-run/1";

  static final JsonMapper JSON =
      JsonMapper.builder()
          .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
          .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
          .changeDefaultPropertyInclusion(v -> v.withValueInclusion(JsonInclude.Include.NON_NULL))
          .build();

  private static final Document DOCUMENT = new Document(JSON, schema(), "the run cannot be read");

  public RunDocument {
    events = List.copyOf(events);
  }

  private record Whole(
      String document,
      UUID planId,
      String planName,
      LocalDate date,
      @Nullable Integer beat,
      Timeline timeline,
      List<RunSheet.Person> people,
      RunSheet.@Nullable Group group,
      @Nullable List<EventDocument> events) {
    RunSheet sheet() {
      return new RunSheet(planId, planName, date, timeline, beat, people, group);
    }
  }

  /** A set as it is stored: what was told, and what it was told of. */
  private record SetDocument(
      UUID person,
      String askedId,
      String movementId,
      List<Modifier> support,
      int range,
      String familyId,
      Dose asked,
      EntryDocument entry,
      @Nullable Boolean finding,
      @Nullable Boolean overCap) {}

  /** The JSON schema of the document. */
  public static String schema() {
    return CatalogueReader.resource("/runs/run.schema.json");
  }

  /**
   * Reads a document from anywhere, all or nothing.
   *
   * @throws CatalogueException naming every problem found with line or field
   */
  public static RunDocument read(String text) {
    JsonNode node = DOCUMENT.read(text);
    try {
      Whole w = JSON.treeToValue(node, Whole.class);
      RunSheet sheet = w.sheet();
      UUID only = sheet.only().map(RunSheet.Person::id).orElse(null);
      List<EventDocument> events = w.events == null ? List.of() : w.events;
      return new RunDocument(sheet, events.stream().map(e -> e.toEvent(only)).toList());
    } catch (JacksonException | IllegalArgumentException e) {
      throw DOCUMENT.problem(String.valueOf(e.getMessage()));
    }
  }

  /** The whole document. */
  public String write() {
    return write(sheet, events.stream().map(EventDocument::of).toList());
  }

  private static String write(RunSheet s, @Nullable List<EventDocument> events) {
    return JSON.writeValueAsString(
        new Whole(
            FORMAT,
            s.planId(),
            s.planName(),
            s.date(),
            s.beat(),
            s.timeline(),
            s.people(),
            s.group(),
            events));
  }

  /** The sheet alone, as it is stored beside the events. */
  public static String write(RunSheet sheet) {
    return write(sheet, null);
  }

  /** The sheet of a stored document. */
  public static RunSheet sheet(String stored) {
    return JSON.readValue(stored, Whole.class).sheet();
  }

  /** An event, as it is stored. */
  public static String write(RunEvent event) {
    return JSON.writeValueAsString(EventDocument.of(event));
  }

  /**
   * A stored event.
   *
   * @param only the run's only person, for what names nobody; null where there are several
   */
  public static RunEvent event(String stored, @Nullable UUID only) {
    return JSON.readValue(stored, EventDocument.class).toEvent(only);
  }

  /** A set, as it is stored. */
  public static String write(DoneSet s) {
    return JSON.writeValueAsString(
        new SetDocument(
            s.person(),
            s.askedId(),
            s.movementId(),
            s.form().support().stream().sorted().toList(),
            s.form().range(),
            s.familyId(),
            s.asked(),
            EntryDocument.of(s.entry()),
            s.finding() ? Boolean.TRUE : null,
            s.overCap() ? Boolean.TRUE : null));
  }

  /** A stored set. */
  public static DoneSet set(String stored) {
    SetDocument d = JSON.readValue(stored, SetDocument.class);
    var entry = d.entry.toEntry();
    return new DoneSet(
        d.person,
        d.askedId,
        new DoneSet.Form(d.movementId, java.util.Set.copyOf(d.support), d.range, entry.side()),
        d.familyId,
        d.asked,
        entry,
        Boolean.TRUE.equals(d.finding),
        Boolean.TRUE.equals(d.overCap));
  }

  /** Stored sets. */
  public static List<DoneSet> sets(Collection<String> stored) {
    return stored.stream().map(RunDocument::set).toList();
  }
}

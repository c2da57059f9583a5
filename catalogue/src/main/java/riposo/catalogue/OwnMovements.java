package riposo.catalogue;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.catalogue.CatalogueException.Problem;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Family;
import riposo.core.movement.Movement;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Movements a professional adds to the shipped families, as an open document: a list of movements
 * written like the shipped ones, each with its family and the movement it stands above. JSON or
 * YAML; all or nothing.
 */
public final class OwnMovements {
  public static final String FORMAT = "riposo-movements/1";
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final ObjectNode SCHEMA_NODE = schemaNode();
  private static final Schema SCHEMA =
      SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
          .getSchema(SCHEMA_NODE.toString());

  /**
   * A movement of one's own.
   *
   * @param after the movement of the family it stands above; null for the gentlest of the family
   * @param movement its rung is set when it takes its place in the family
   * @param document as it was read, format field and list left off
   */
  public record Own(@Nullable String after, Movement movement, ObjectNode document) {}

  private OwnMovements() {}

  /**
   * The JSON schema of the document: that of a family with a family and a place instead of a rung.
   */
  public static String schema() {
    return SCHEMA_NODE.toPrettyString();
  }

  private static ObjectNode schemaNode() {
    ObjectNode family = (ObjectNode) JSON.readTree(CatalogueReader.text("family.schema.json"));
    ObjectNode root = JSON.createObjectNode();
    root.put("$schema", family.get("$schema").asString());
    root.put("title", "Riposo movements");
    root.put(
        "description",
        "Movements of one's own. Every demand is stated; nothing defaults. Degrees, percent of body weight on one limb, grams, seconds; levels as the rules page has them.");
    root.put("type", "object");
    root.put("additionalProperties", false);
    root.putArray("required").add("format").add("movements");
    ObjectNode properties = root.putObject("properties");
    properties.putObject("format").put("const", FORMAT);
    ObjectNode list = properties.putObject("movements");
    list.put("type", "array").put("minItems", 1).put("maxItems", 200);
    list.putObject("items").put("$ref", "#/$defs/movement");
    ObjectNode defs = (ObjectNode) family.get("$defs").deepCopy();
    ObjectNode movement = (ObjectNode) defs.get("movement");
    ObjectNode fields = (ObjectNode) movement.get("properties");
    fields.remove("rung");
    fields.putObject("family").put("$ref", "#/$defs/id");
    ObjectNode after = fields.putObject("after");
    after.put(
        "description", "the movement of the family that this one stands above; null for none");
    after.putArray("anyOf").addObject().put("$ref", "#/$defs/id");
    ((ArrayNode) after.get("anyOf")).addObject().put("type", "null");
    ArrayNode required = movement.putArray("required");
    family
        .get("$defs")
        .get("movement")
        .get("required")
        .forEach(r -> required.add(r.asString().equals("rung") ? "family" : r.asString()));
    required.add("after");
    root.set("$defs", defs);
    return root;
  }

  /** Writes a document that {@link #read} gives back the same. */
  public static String write(List<ObjectNode> movements) {
    ObjectNode root = JSON.createObjectNode();
    root.put("format", FORMAT);
    ArrayNode list = root.putArray("movements");
    movements.forEach(list::add);
    return root.toPrettyString();
  }

  /** The document of one movement, read alone. */
  public static ObjectNode document(String json) {
    return (ObjectNode) JSON.readTree(json);
  }

  /**
   * Reads a document against the shipped catalogue and what is there already.
   *
   * @param file its name, for the problems
   * @throws CatalogueException naming every problem with file, line and field, when there is any
   */
  public static List<Own> read(String file, String text, Catalogue shipped, List<Own> there) {
    List<Problem> problems = new ArrayList<>();
    Source source = Source.read(file, text, SCHEMA, problems);
    List<Own> read = new ArrayList<>();
    Map<String, String> places = new HashMap<>();
    if (source != null) {
      JsonNode list = source.node().get("movements");
      Set<String> taken = new java.util.HashSet<>();
      there.forEach(o -> taken.add(o.movement().id()));
      for (int i = 0; i < list.size(); i++) {
        JsonNode m = list.get(i);
        String at = "/movements/" + i;
        String id = m.get("id").asString();
        places.put(id, at);
        if (shipped.find(id).isPresent() || !taken.add(id)) {
          problems.add(source.problem(at + "/id", "the id “" + id + "” is used already"));
          continue;
        }
        String familyId = m.get("family").asString();
        Family family =
            shipped.families().stream()
                .filter(f -> f.id().equals(familyId))
                .findFirst()
                .orElse(null);
        if (family == null) {
          problems.add(source.problem(at + "/family", "there is no family “" + familyId + "”"));
          continue;
        }
        Movement movement =
            CatalogueReader.sound(source, at, m, familyId, family.purpose(), 1, problems);
        if (movement != null) {
          JsonNode after = m.get("after");
          read.add(
              new Own(
                  after.isNull() ? null : after.asString(), movement, (ObjectNode) m.deepCopy()));
        }
      }
      if (problems.isEmpty()) {
        List<Own> all = new ArrayList<>(there);
        all.addAll(read);
        place(shipped, all)
            .wrong()
            .forEach(
                (id, words) ->
                    problems.add(
                        places.containsKey(id)
                            ? source.problem(places.get(id) + "/after", words)
                            : source.problem("/movements", words)));
      }
    }
    if (!problems.isEmpty()) {
      throw new CatalogueException(problems);
    }
    return read;
  }

  private record Placed(List<Family> families, Map<String, String> wrong) {}

  /**
   * The shipped catalogue with these movements in their families. Throws {@link CatalogueException}
   * when one has no place.
   *
   * @param retired ids no longer offered, still known by name
   */
  public static Catalogue with(Catalogue shipped, List<Own> own, Set<String> retired) {
    Placed placed = place(shipped, own);
    if (!placed.wrong().isEmpty()) {
      throw new CatalogueException(
          placed.wrong().values().stream()
              .map(w -> new Problem("own movements", 0, "", w))
              .toList());
    }
    return new Catalogue(placed.families(), retired);
  }

  private static Placed place(Catalogue shipped, List<Own> own) {
    Map<String, String> wrong = new LinkedHashMap<>();
    List<Family> families = new ArrayList<>();
    for (Family f : shipped.families()) {
      List<Own> mine =
          own.stream()
              .filter(o -> o.movement().familyId().equals(f.id()))
              .sorted(
                  Comparator.comparing((Own o) -> o.movement().difficulty())
                      .thenComparing(o -> o.movement().id())
                      .reversed())
              .toList();
      if (mine.isEmpty()) {
        families.add(f);
        continue;
      }
      List<Movement> order = new ArrayList<>(f.rungs());
      List<Own> waiting = new ArrayList<>(mine);
      boolean moved = true;
      while (moved && !waiting.isEmpty()) {
        moved = false;
        for (Own o : List.copyOf(waiting)) {
          int below = o.after() == null ? -1 : index(order, o.after());
          if (o.after() == null || below >= 0) {
            order.add(below + 1, o.movement());
            waiting.remove(o);
            moved = true;
          }
        }
      }
      for (Own o : waiting) {
        boolean cycle = waiting.stream().anyMatch(x -> x.movement().id().equals(o.after()));
        wrong.put(
            o.movement().id(),
            cycle
                ? o.movement().id() + " and " + o.after() + " stand above one another in a circle"
                : "there is no “" + o.after() + "” in the family " + f.id() + " to stand above");
      }
      List<Movement> numbered = new ArrayList<>();
      for (int i = 0; i < order.size(); i++) {
        numbered.add(order.get(i).onRung(i + 1));
      }
      Map<Integer, String> unordered = CatalogueReader.order(numbered);
      unordered.forEach((i, words) -> wrong.put(involved(numbered, i, mine), words));
      if (wrong.isEmpty()) {
        families.add(f.of(numbered));
      }
    }
    return new Placed(families, wrong);
  }

  private static int index(List<Movement> order, String id) {
    for (int i = 0; i < order.size(); i++) {
      if (order.get(i).id().equals(id)) {
        return i;
      }
    }
    return -1;
  }

  /** The own movement a wrong order is about: the later one, or the one below it. */
  private static String involved(List<Movement> order, int at, List<Own> mine) {
    for (int i = at; i >= 0; i--) {
      String id = order.get(i).id();
      if (mine.stream().anyMatch(o -> o.movement().id().equals(id))) {
        return id;
      }
    }
    return order.get(at).id();
  }
}

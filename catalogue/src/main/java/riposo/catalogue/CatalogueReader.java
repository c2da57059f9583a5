package riposo.catalogue;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.catalogue.CatalogueException.Problem;
import riposo.core.figure.Angles;
import riposo.core.figure.Figure;
import riposo.core.figure.Figures;
import riposo.core.limit.Act;
import riposo.core.limit.Axis;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Loading;
import riposo.core.movement.BearingDemand;
import riposo.core.movement.Carry;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Demands;
import riposo.core.movement.Family;
import riposo.core.movement.JointDemand;
import riposo.core.movement.Kit;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Part;
import riposo.core.movement.Position;
import riposo.core.movement.Purpose;
import riposo.core.movement.SidePattern;
import riposo.core.movement.Soundness;
import riposo.core.movement.SpineDemand;
import riposo.core.movement.Support;
import riposo.core.movement.Task;
import riposo.core.movement.Tempo;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** Reads family files into a {@link Catalogue}; all or nothing. */
public final class CatalogueReader {
  private static final YAMLMapper YAML = new YAMLMapper();
  private final Schema schema =
      SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
          .getSchema(text("family.schema.json"));

  /** The catalogue that ships with Riposo. */
  public static Catalogue shipped() {
    return new CatalogueReader().read(files());
  }

  private static Map<String, String> files() {
    Map<String, String> files = new LinkedHashMap<>();
    text("families.txt").lines().forEach(f -> files.put(f + ".yaml", text(f + ".yaml")));
    return files;
  }

  /** The figures that ship with Riposo; throws {@link CatalogueException} naming a bad one. */
  public static Figures figures() {
    List<Problem> problems = new ArrayList<>();
    List<Figure> all = new ArrayList<>();
    YAML.readTree(text("figures.yaml"))
        .forEachEntry(
            (id, f) -> {
              try {
                all.add(
                    new Figure(
                        id,
                        constant(Figure.View.class, f.get("view").asString()),
                        Angles.of(f.get("start").asString()),
                        Angles.of(f.get("end").asString())));
              } catch (IllegalArgumentException e) {
                problems.add(
                    new Problem("figures.yaml", 0, "/" + id, String.valueOf(e.getMessage())));
              }
            });
    if (!problems.isEmpty()) {
      throw new CatalogueException(problems);
    }
    return new Figures(all);
  }

  /** The shipped movements as documents, by id: what a copy of one starts from. */
  public static Map<String, ObjectNode> documents() {
    Map<String, ObjectNode> all = new LinkedHashMap<>();
    files()
        .values()
        .forEach(
            f -> {
              JsonNode family = YAML.readTree(f);
              family
                  .get("movements")
                  .forEach(m -> all.put(m.get("id").asString(), (ObjectNode) m.deepCopy()));
            });
    return all;
  }

  /**
   * Reads families from text by file name, in that order.
   *
   * @throws CatalogueException naming every problem found, when there is any
   */
  public Catalogue read(Map<String, String> files) {
    List<Problem> problems = new ArrayList<>();
    List<Family> families = new ArrayList<>();
    Map<String, String> familyFiles = new HashMap<>();
    Map<String, String> movementFiles = new HashMap<>();
    files.forEach(
        (file, content) -> {
          Source source = Source.read(file, content, schema, problems);
          if (source == null) {
            return;
          }
          int before = problems.size();
          JsonNode node = source.node();
          twice(familyFiles, node.get("id").asString(), source, "/id", problems);
          Family family = family(source, movementFiles, problems);
          if (problems.size() == before && family != null) {
            families.add(family);
          }
        });
    if (!problems.isEmpty()) {
      throw new CatalogueException(problems);
    }
    return new Catalogue(families);
  }

  private static void twice(
      Map<String, String> seen, String id, Source source, String field, List<Problem> problems) {
    String other = seen.putIfAbsent(id, source.file());
    if (other != null) {
      problems.add(source.problem(field, "the id “" + id + "” is used twice, first in " + other));
    }
  }

  private static @Nullable Family family(
      Source source, Map<String, String> movementFiles, List<Problem> problems) {
    JsonNode node = source.node();
    String id = node.get("id").asString();
    Purpose purpose = Purpose.ofId(node.get("purpose").asString());
    List<Movement> movements = new ArrayList<>();
    int before = problems.size();
    for (int i = 0; i < node.get("movements").size(); i++) {
      JsonNode m = node.get("movements").get(i);
      String at = "/movements/" + i;
      twice(movementFiles, m.get("id").asString(), source, at + "/id", problems);
      Movement movement = sound(source, at, m, id, purpose, m.get("rung").asInt(), problems);
      if (movement != null) {
        movements.add(movement);
      }
    }
    if (problems.size() > before) {
      return null;
    }
    order(movements)
        .forEach((i, words) -> problems.add(source.problem("/movements/" + i + "/rung", words)));
    return problems.size() > before
        ? null
        : new Family(
            id,
            node.get("name").asString(),
            purpose,
            words(node),
            strings(node.get("tasks")).stream().map(Task::ofId).toList(),
            movements);
  }

  /** Where rungs do not rise: the place of the later movement and why. */
  static Map<Integer, String> order(List<Movement> rungs) {
    Map<Integer, String> wrong = new LinkedHashMap<>();
    for (int i = 1; i < rungs.size(); i++) {
      Movement m = rungs.get(i);
      for (int j = 0; j < i; j++) {
        Movement lower = rungs.get(j);
        if (m.rung() <= lower.rung() && j == i - 1) {
          wrong.put(i, m.id() + " does not stand above " + lower.id());
        } else if (m.difficulty() < lower.difficulty() && j == i - 1) {
          wrong.put(i, m.id() + " is a higher rung than " + lower.id() + " but less difficult");
        } else if (Soundness.outranks(lower, m)) {
          wrong.put(i, m.id() + " asks for no more than " + lower.id() + ", a rung below it");
        }
      }
    }
    return wrong;
  }

  /** The movement; null where it cannot be read or contradicts itself, the problems added. */
  static @Nullable Movement sound(
      Source source,
      String at,
      JsonNode m,
      String family,
      Purpose purpose,
      int rung,
      List<Problem> problems) {
    try {
      Movement movement = movement(m, family, purpose, rung);
      List<Soundness.Contradiction> wrong = Soundness.contradictions(movement);
      wrong.forEach(c -> problems.add(source.problem(at + "/" + c.field(), c.words())));
      return wrong.isEmpty() ? movement : null;
    } catch (IllegalArgumentException e) {
      problems.add(source.problem(at, String.valueOf(e.getMessage())));
      return null;
    }
  }

  static String text(String name) {
    return resource("/catalogue/" + name);
  }

  static String resource(String path) {
    try (InputStream in = CatalogueReader.class.getResourceAsStream(path)) {
      if (in == null) {
        throw new IllegalStateException("missing resource " + path);
      }
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Movement movement(JsonNode m, String family, Purpose purpose, int rung) {
    String id = m.get("id").asString();
    try {
      JsonNode range = m.get("range");
      Set<JointMotion> cuts = EnumSet.noneOf(JointMotion.class);
      if (range != null) {
        strings(range.get("cuts")).forEach(c -> cuts.add(constant(JointMotion.class, c)));
      }
      Set<Modifier> modifiers = EnumSet.noneOf(Modifier.class);
      strings(m.get("modifiers")).forEach(s -> modifiers.add(constant(Modifier.class, s)));
      if (modifiers.contains(Modifier.RANGE) != (range != null)) {
        throw new IllegalArgumentException("the modifier range and the field range go together");
      }
      List<Set<Kit>> kit = new ArrayList<>();
      for (String anyOf : strings(m.get("kit"))) {
        Set<Kit> set = EnumSet.noneOf(Kit.class);
        Arrays.stream(anyOf.split("\\|")).map(Kit::ofId).forEach(set::add);
        kit.add(set);
      }
      return new Movement(
          id,
          m.get("name").asString(),
          family,
          purpose,
          rung,
          m.get("difficulty").asInt(),
          constant(SidePattern.class, m.get("sides").asString()),
          Tempo.of(m.get("tempo").asString()),
          constant(LoadKind.class, m.get("load").asString()),
          m.has("share") ? m.get("share").asDouble() : null,
          new LinkedHashSet<>(strings(m.get("muscles").get("primary"))),
          new LinkedHashSet<>(strings(m.get("muscles").get("secondary"))),
          kit,
          demands(
              m.get("demands"),
              constant(Position.class, m.get("position").asString()),
              constant(SidePattern.class, m.get("sides").asString())),
          range == null ? 100 : range.get("least").asInt(),
          cuts,
          modifiers,
          strings(m.get("cues")),
          strings(m.get("faults")),
          m.has("lever") ? m.get("lever").asInt() : 0,
          m.has("figure") ? m.get("figure").asString() : null,
          m.has("also") ? constant(SidePattern.class, m.get("also").asString()) : null,
          m.has("carry")
              ? strings(m.get("carry")).stream().map(c -> constant(Carry.class, c)).toList()
              : List.of(),
          m.has("support") ? support(m.get("support")) : null,
          words(m),
          m.has("bandReach") ? (Integer) m.get("bandReach").asInt() : null);
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException("movement " + id + ": " + e.getMessage(), e);
    }
  }

  private static List<String> words(JsonNode node) {
    return node.has("words") ? strings(node.get("words")) : List.of();
  }

  private static Support support(JsonNode s) {
    return new Support(
        constant(Support.Kind.class, s.get("kind").asString()),
        s.get("least").asInt(),
        s.get("usual").asInt(),
        s.get("most").asInt());
  }

  private static Demands demands(JsonNode d, Position position, SidePattern sides) {
    List<JointDemand> joints = new ArrayList<>();
    for (String s : strings(d.get("joints"))) {
      String[] p = s.split(" ");
      joints.add(
          new JointDemand(
              constant(JointMotion.class, p[0]),
              Integer.parseInt(p[1]),
              constant(Loading.class, p[2]),
              p.length > 3 ? constant(Part.class, p[3]) : Part.BOTH));
    }
    List<SpineDemand> spine = new ArrayList<>();
    for (String s : strings(d.get("spine"))) {
      String[] p = s.split(" ");
      spine.add(new SpineDemand(p[0], Integer.parseInt(p[1]), p.length > 2));
    }
    List<BearingDemand> bearing = new ArrayList<>();
    for (String s : strings(d.get("bearing"))) {
      String[] p = s.split(" ");
      bearing.add(
          new BearingDemand(
              p[0].equals("arm"),
              Integer.parseInt(p[1]),
              p.length > 2 ? constant(Part.class, p[2]) : Part.BOTH));
    }
    Set<Axis> head = new HashSet<>();
    strings(d.get("head")).forEach(h -> head.add(Axis.of("head." + h)));
    Set<Act> acts = EnumSet.noneOf(Act.class);
    strings(d.get("acts")).forEach(a -> acts.add(constant(Act.class, a)));
    JsonNode weight = d.get("weight");
    int hands = weight == null ? 0 : weight.get("hands").asInt();
    // a movement of a studio's own written before the axis was known: what its demands imply
    int trunk =
        d.has("trunk")
            ? d.get("trunk").asInt()
            : Soundness.leastTrunk(position, joints, spine, hands, sides);
    return new Demands(
        position,
        joints,
        spine,
        d.get("impact").asInt(),
        d.get("balance").asInt(),
        d.get("supported").asBoolean(),
        bearing,
        weight == null ? 0 : weight.get("least").asInt(),
        hands,
        weight != null && weight.get("overhead").asBoolean(),
        d.get("hold").asInt(),
        d.get("pressure").asInt(),
        head,
        d.get("grip").asInt(),
        d.get("effort").asInt(),
        d.get("complexity").asInt(),
        trunk,
        acts);
  }

  private static List<String> strings(JsonNode array) {
    List<String> list = new ArrayList<>();
    array.forEach(n -> list.add(n.asString()));
    return list;
  }

  private static <E extends Enum<E>> E constant(Class<E> type, String id) {
    try {
      return Enum.valueOf(type, id.toUpperCase(Locale.ROOT).replace('-', '_'));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException("unknown " + type.getSimpleName() + " '" + id + "'", e);
    }
  }
}

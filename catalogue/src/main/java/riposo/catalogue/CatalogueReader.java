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
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import riposo.core.limit.Act;
import riposo.core.limit.Axis;
import riposo.core.limit.JointMotion;
import riposo.core.limit.Loading;
import riposo.core.movement.BearingDemand;
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
import riposo.core.movement.SpineDemand;
import riposo.core.movement.Tempo;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** Reads family files into a {@link Catalogue}; all or nothing. */
public final class CatalogueReader {
  private final YAMLMapper yaml = new YAMLMapper();
  private final Schema schema =
      SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
          .getSchema(text("family.schema.json"));

  /** The catalogue that ships with Riposo. */
  public static Catalogue shipped() {
    Map<String, String> files = new LinkedHashMap<>();
    text("families.txt").lines().forEach(f -> files.put(f + ".yaml", text(f + ".yaml")));
    return new CatalogueReader().read(files);
  }

  /**
   * Reads families from text by file name, in that order.
   *
   * @throws CatalogueException naming every problem found, when there is any
   */
  public Catalogue read(Map<String, String> files) {
    List<String> problems = new ArrayList<>();
    List<Family> families = new ArrayList<>();
    files.forEach(
        (file, content) -> {
          JsonNode node;
          try {
            node = yaml.readTree(content);
          } catch (JacksonException e) {
            problems.add(
                file + " line " + e.getLocation().getLineNr() + ": " + e.getOriginalMessage());
            return;
          }
          int before = problems.size();
          schema
              .validate(node)
              .forEach(
                  m -> problems.add(file + " " + m.getInstanceLocation() + ": " + m.getMessage()));
          if (problems.size() == before) {
            try {
              families.add(family(node));
            } catch (IllegalArgumentException e) {
              problems.add(file + ": " + e.getMessage());
            }
          }
        });
    if (problems.isEmpty()) {
      try {
        return new Catalogue(families);
      } catch (IllegalArgumentException e) {
        problems.add(String.valueOf(e.getMessage()));
      }
    }
    throw new CatalogueException(problems);
  }

  private static String text(String name) {
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

  private static Family family(JsonNode node) {
    String id = node.get("id").asString();
    Purpose purpose = Purpose.ofId(node.get("purpose").asString());
    List<Movement> movements = new ArrayList<>();
    node.get("movements").forEach(m -> movements.add(movement(m, id, purpose)));
    return new Family(id, node.get("name").asString(), purpose, movements);
  }

  private static Movement movement(JsonNode m, String family, Purpose purpose) {
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
          m.get("rung").asInt(),
          m.get("difficulty").asInt(),
          constant(SidePattern.class, m.get("sides").asString()),
          Tempo.of(m.get("tempo").asString()),
          constant(LoadKind.class, m.get("load").asString()),
          m.has("share") ? m.get("share").asDouble() : null,
          new LinkedHashSet<>(strings(m.get("muscles").get("primary"))),
          new LinkedHashSet<>(strings(m.get("muscles").get("secondary"))),
          kit,
          demands(m.get("demands"), constant(Position.class, m.get("position").asString())),
          range == null ? 100 : range.get("least").asInt(),
          cuts,
          modifiers,
          strings(m.get("cues")),
          strings(m.get("faults")));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException("movement " + id + ": " + e.getMessage(), e);
    }
  }

  private static Demands demands(JsonNode d, Position position) {
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
    return new Demands(
        position,
        joints,
        spine,
        d.get("impact").asInt(),
        d.get("balance").asInt(),
        d.get("supported").asBoolean(),
        bearing,
        weight == null ? 0 : weight.get("least").asInt(),
        weight == null ? 0 : weight.get("hands").asInt(),
        weight != null && weight.get("overhead").asBoolean(),
        d.get("hold").asInt(),
        d.get("pressure").asInt(),
        head,
        d.get("grip").asInt(),
        d.get("effort").asInt(),
        d.get("complexity").asInt(),
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

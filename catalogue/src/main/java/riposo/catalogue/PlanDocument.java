package riposo.catalogue;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import riposo.core.kit.Band;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Tempo;
import riposo.core.plan.BandAsk;
import riposo.core.plan.Block;
import riposo.core.plan.Extra;
import riposo.core.plan.Format;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Param;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.PlanFault;
import riposo.core.plan.RoundChange;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Sides;
import riposo.core.plan.Slot;
import riposo.core.plan.Stage;
import riposo.core.plan.Upper;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A session plan as an open document (plans/plan.schema.json). Reading what was written gives the
 * same plan. Version 1 (plans/plan-1.schema.json) is still read; what it let stand without effect,
 * such as stages outside a staged set, is left out.
 *
 * @param note what it is for; null for none
 */
public record PlanDocument(
    String name, List<String> tags, @Nullable String note, SessionPlan plan) {
  private static final JsonMapper JSON = Document.JSON;
  private static final int VERSION = 2;
  private static final Document DOCUMENT = new Document(JSON, schema(), "the plan cannot be read");
  private static final Document FIRST =
      new Document(
          JSON, CatalogueReader.resource("/plans/plan-1.schema.json"), "the plan cannot be read");

  public PlanDocument {
    tags = List.copyOf(tags);
  }

  /** The JSON schema of the document. */
  public static String schema() {
    return CatalogueReader.resource("/plans/plan.schema.json");
  }

  /** The plans that ship as starting points. */
  public static List<PlanDocument> shipped(Catalogue catalogue) {
    return CatalogueReader.resource("/plans/plans.txt")
        .lines()
        .map(f -> read(CatalogueReader.resource("/plans/" + f + ".json"), catalogue))
        .toList();
  }

  /**
   * Reads a document, all or nothing.
   *
   * @throws CatalogueException naming every problem found with line or field: no JSON, against the
   *     schema, a number that cannot be right, a movement the catalogue does not have
   */
  public static PlanDocument read(String text, Catalogue catalogue) {
    boolean first = first(text);
    JsonNode node = (first ? FIRST : DOCUMENT).read(text);
    List<String> problems = new ArrayList<>();
    List<PlanBlock> blocks = new ArrayList<>();
    for (int i = 0; i < node.get("blocks").size(); i++) {
      JsonNode b = node.get("blocks").get(i);
      List<Slot> slots = new ArrayList<>();
      for (int k = 0; k < b.get("slots").size(); k++) {
        String at = "/blocks/" + i + "/slots/" + k;
        try {
          Slot s = slot(b.get("slots").get(k));
          known(s.movementId(), catalogue, at + "/movement", problems);
          for (int r = 0; r < s.rounds().size(); r++) {
            String other = s.rounds().get(r).movementId();
            if (other != null) {
              known(other, catalogue, at + "/rounds/" + r + "/movement", problems);
            }
          }
          slots.add(s);
        } catch (IllegalArgumentException e) {
          problems.add(at + ": " + e.getMessage());
        }
      }
      try {
        blocks.add(block(b, slots));
      } catch (IllegalArgumentException e) {
        problems.add("/blocks/" + i + ": " + e.getMessage());
      }
    }
    if (problems.isEmpty()) {
      try {
        List<String> tags = new ArrayList<>();
        node.path("tags").forEach(t -> tags.add(t.asString()));
        SessionPlan plan = new SessionPlan(blocks, number(node, "beat"));
        if (first) {
          plan = PlanFault.without(plan);
        }
        for (PlanFault f : PlanFault.of(plan, id -> catalogue.find(id).orElse(null))) {
          problems.add(
              "/blocks/" + f.block() + "/slots/" + f.slot() + "/" + f.field() + ": " + f.words());
        }
        if (problems.isEmpty()) {
          return new PlanDocument(node.get("name").asString(), tags, text(node, "note"), plan);
        }
      } catch (IllegalArgumentException e) {
        problems.add("/blocks: " + e.getMessage());
      }
    }
    throw new CatalogueException("the plan cannot be read", problems);
  }

  /** Whether it says to be of the first version; what cannot be read at all is not. */
  private static boolean first(String text) {
    try {
      return JSON.readTree(text).path("version").asInt(VERSION) == 1;
    } catch (JacksonException e) {
      return false;
    }
  }

  private static void known(
      String movement, Catalogue catalogue, String at, List<String> problems) {
    if (catalogue.find(movement).isEmpty()) {
      problems.add(at + ": there is no movement “" + movement + "”");
    }
  }

  private static PlanBlock block(JsonNode b, List<Slot> slots) {
    return new PlanBlock(
        b.get("key").asString(),
        constant(Block.class, b.get("block").asString()),
        format(b.get("format")),
        constant(PlanBlock.SideMode.class, b.path("sides").asString("split")),
        b.path("alternate").asBoolean(false),
        constant(PlanBlock.RestStyle.class, b.path("rest").asString("still")),
        b.path("talk").asInt(0),
        b.path("set-up").asInt(0),
        number(b, "days-a-week"),
        slots);
  }

  private static Format format(JsonNode f) {
    EnumMap<Param, Integer> values = new EnumMap<>(Param.class);
    for (Param p : Param.values()) {
      if (f.has(p.id())) {
        values.put(p, f.get(p.id()).asInt());
      }
    }
    List<Integer> ladder = new ArrayList<>();
    f.path("ladder").forEach(w -> ladder.add(w.asInt()));
    List<Side> phrase = new ArrayList<>();
    f.path("phrase").forEach(s -> phrase.add(constant(Side.class, s.asString())));
    return new Format(constant(FormatKind.class, f.get("kind").asString()), values, ladder, phrase);
  }

  private static Slot slot(JsonNode s) {
    List<Stage> stages = new ArrayList<>();
    for (JsonNode t : s.path("stages")) {
      stages.add(
          new Stage(
              t.get("count").asInt(),
              constant(Stage.Part.class, t.get("range").asString()),
              constant(Stage.Kind.class, t.get("kind").asString()),
              Tempo.of(t.get("tempo").asString())));
    }
    List<RoundChange> rounds = new ArrayList<>();
    for (JsonNode r : s.path("rounds")) {
      rounds.add(
          new RoundChange(
              r.get("round").asInt(),
              text(r, "movement"),
              number(r, "reps"),
              tempo(r),
              number(r, "grams")));
    }
    JsonNode e = s.get("extra");
    return new Slot(
        s.get("key").asString(),
        s.get("movement").asString(),
        number(s, "seconds"),
        number(s, "reps"),
        tempo(s),
        number(s, "grams"),
        s.has("start") ? constant(Side.class, s.get("start").asString()) : null,
        stages,
        rounds,
        e == null
            ? null
            : new Extra(
                constant(Side.class, e.get("side").asString()),
                e.get("seconds").asInt(),
                e.get("reason").asString()),
        s.has("sides") ? constant(Sides.class, s.get("sides").asString()) : null,
        number(s, "hold"),
        s.has("carry") ? constant(Carry.class, s.get("carry").asString()) : null,
        s.path("ramp").asBoolean(false) ? Boolean.TRUE : null,
        number(s, "height"),
        s.has("upper") ? upper(s.get("upper")) : null,
        s.has("band") ? band(s.get("band")) : null);
  }

  private static BandAsk band(JsonNode b) {
    return new BandAsk(
        constant(Band.Hold.class, b.get("hold").asString()),
        b.get("grams").asInt(),
        b.get("reach").asInt(),
        number(b, "stance"));
  }

  private static Upper upper(JsonNode u) {
    return new Upper(
        text(u, "movement"),
        u.path("slower").asBoolean(false) ? Boolean.TRUE : null,
        number(u, "grams"));
  }

  private static @Nullable Tempo tempo(JsonNode n) {
    return n.has("tempo") ? Tempo.of(n.get("tempo").asString()) : null;
  }

  private static @Nullable Integer number(JsonNode n, String field) {
    return n.has(field) ? (Integer) n.get(field).asInt() : null;
  }

  private static @Nullable String text(JsonNode n, String field) {
    return n.has(field) ? n.get(field).asString() : null;
  }

  private static <E extends Enum<E>> E constant(Class<E> type, String id) {
    return Enum.valueOf(type, id.toUpperCase(Locale.ROOT).replace('-', '_'));
  }

  private static String id(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The document as text; what is at its default is left out. */
  public String write() {
    ObjectNode root = JSON.createObjectNode();
    root.put("document", "riposo-plan").put("version", VERSION).put("name", name);
    if (note != null) {
      root.put("note", note);
    }
    if (!tags.isEmpty()) {
      tags.forEach(root.putArray("tags")::add);
    }
    if (plan.beat() != null) {
      root.put("beat", plan.beat());
    }
    ArrayNode blocks = root.putArray("blocks");
    for (PlanBlock b : plan.blocks()) {
      ObjectNode o = blocks.addObject();
      o.put("key", b.key()).put("block", id(b.block()));
      ObjectNode f = o.putObject("format");
      f.put("kind", b.format().kind().id());
      for (Map.Entry<Param, Integer> e : b.format().values().entrySet()) {
        f.put(e.getKey().id(), e.getValue());
      }
      if (!b.format().ladder().isEmpty()) {
        b.format().ladder().forEach(f.putArray("ladder")::add);
      }
      if (!b.format().phrase().isEmpty()) {
        ArrayNode phrase = f.putArray("phrase");
        b.format().phrase().forEach(s -> phrase.add(id(s)));
      }
      o.put("sides", id(b.sides()));
      if (b.alternate()) {
        o.put("alternate", true);
      }
      o.put("rest", id(b.rest()));
      put(o, "talk", b.talk() == 0 ? null : b.talk());
      put(o, "set-up", b.setUp() == 0 ? null : b.setUp());
      put(o, "days-a-week", b.daysAWeek());
      ArrayNode slots = o.putArray("slots");
      b.slots().forEach(s -> slots.add(slot(s)));
    }
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(root);
  }

  private static ObjectNode slot(Slot s) {
    ObjectNode o = JSON.createObjectNode();
    o.put("key", s.key()).put("movement", s.movementId());
    put(o, "seconds", s.seconds());
    put(o, "reps", s.reps());
    put(o, s.tempo());
    put(o, "grams", s.grams());
    if (s.start() != null) {
      o.put("start", id(s.start()));
    }
    if (s.sides() != null) {
      o.put("sides", id(s.sides()));
    }
    put(o, "hold", s.hold());
    if (s.carry() != null) {
      o.put("carry", id(s.carry()));
    }
    put(o, "height", s.height());
    if (s.ramp() != null) {
      o.put("ramp", true);
    }
    BandAsk band = s.band();
    if (band != null) {
      ObjectNode b = o.putObject("band");
      b.put("hold", id(band.hold())).put("grams", band.grams()).put("reach", band.reachCm());
      put(b, "stance", band.stanceCm());
    }
    Upper upper = s.upper();
    if (upper != null) {
      ObjectNode u = o.putObject("upper");
      if (upper.movementId() != null) {
        u.put("movement", upper.movementId());
      }
      if (upper.slower() != null) {
        u.put("slower", true);
      }
      put(u, "grams", upper.grams());
    }
    if (!s.stages().isEmpty()) {
      ArrayNode stages = o.putArray("stages");
      for (Stage t : s.stages()) {
        stages
            .addObject()
            .put("count", t.count())
            .put("range", id(t.range()))
            .put("kind", id(t.kind()))
            .put("tempo", t.tempo().toString());
      }
    }
    if (!s.rounds().isEmpty()) {
      ArrayNode rounds = o.putArray("rounds");
      for (RoundChange r : s.rounds()) {
        ObjectNode n = rounds.addObject().put("round", r.round());
        if (r.movementId() != null) {
          n.put("movement", r.movementId());
        }
        put(n, "reps", r.reps());
        put(n, r.tempo());
        put(n, "grams", r.grams());
      }
    }
    if (s.extra() != null) {
      o.putObject("extra")
          .put("side", id(s.extra().side()))
          .put("seconds", s.extra().seconds())
          .put("reason", s.extra().reason());
    }
    return o;
  }

  private static void put(ObjectNode o, String field, @Nullable Integer value) {
    if (value != null) {
      o.put(field, value);
    }
  }

  private static void put(ObjectNode o, @Nullable Tempo tempo) {
    if (tempo != null) {
      o.put("tempo", tempo.toString());
    }
  }
}

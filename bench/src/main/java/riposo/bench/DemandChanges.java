package riposo.bench;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * Lists every demand that differs between two states of the movement data, old and new, as a
 * document. Arguments: the folder of the older families, the folder of the newer, the file to
 * write. {@code ./riposo demands <commit>} takes the older from the history.
 */
public final class DemandChanges {
  /** Fields that say how a movement is done and where it stands, besides its demands. */
  private static final List<String> BESIDE =
      List.of("position", "difficulty", "load", "share", "range", "modifiers", "muscles");

  private DemandChanges() {}

  public static void main(String[] args) throws IOException {
    if (args.length != 3) {
      throw new IllegalArgumentException("give the older folder, the newer folder and the file");
    }
    Map<String, JsonNode> old = movements(Path.of(args[0]));
    Map<String, JsonNode> now = movements(Path.of(args[1]));
    StringBuilder out = new StringBuilder();
    out.append("# Demands changed\n\n");
    out.append(
        "Every demand of a movement that was changed, old and new, and what goes with it.\n");
    out.append(
        "Made by `./riposo demands <commit>` from the history of the movement data; a list\n");
    out.append("shows what was added (+) and what was taken away (−).\n");
    int changes = 0;
    int changed = 0;
    String family = "";
    for (Map.Entry<String, JsonNode> e : now.entrySet()) {
      List<String> rows = rows(old.get(e.getKey()), e.getValue());
      if (rows.isEmpty()) {
        continue;
      }
      String in = e.getValue().path("family").asString();
      if (!in.equals(family)) {
        out.append("\n## ")
            .append(in)
            .append("\n\n| movement | what | old | new |\n|---|---|---|---|\n");
        family = in;
      }
      for (String row : rows) {
        out.append("| ").append(e.getKey()).append(" | ").append(row).append(" |\n");
      }
      changes += rows.size();
      changed++;
    }
    out.append("\n%d changes in %d of %d movements.\n".formatted(changes, changed, now.size()));
    Files.writeString(Path.of(args[2]), out.toString(), StandardCharsets.UTF_8);
  }

  private static Map<String, JsonNode> movements(Path folder) throws IOException {
    YAMLMapper yaml = new YAMLMapper();
    Map<String, JsonNode> all = new LinkedHashMap<>();
    File[] files = folder.toFile().listFiles((d, n) -> n.endsWith(".yaml"));
    if (files == null) {
      throw new UncheckedIOException(new IOException("no folder " + folder));
    }
    Arrays.sort(files);
    for (File f : files) {
      JsonNode family = yaml.readTree(Files.readString(f.toPath()));
      for (JsonNode m : family.path("movements")) {
        ((tools.jackson.databind.node.ObjectNode) m).put("family", family.path("name").asString());
        all.put(m.path("id").asString(), m);
      }
    }
    return all;
  }

  private static List<String> rows(JsonNode old, JsonNode now) {
    List<String> rows = new ArrayList<>();
    if (old == null) {
      rows.add("new | – | " + now.path("name").asString());
      return rows;
    }
    now.path("demands")
        .properties()
        .forEach(d -> row(rows, d.getKey(), old.path("demands").path(d.getKey()), d.getValue()));
    for (String field : BESIDE) {
      row(rows, field, old.path(field), now.path(field));
    }
    return rows;
  }

  private static void row(List<String> rows, String what, JsonNode old, JsonNode now) {
    if (old.equals(now)) {
      return;
    }
    if (now.isArray() && old.isArray()) {
      List<String> before = words(old);
      List<String> after = words(now);
      List<String> gone = new ArrayList<>(before);
      gone.removeAll(after);
      List<String> come = new ArrayList<>(after);
      come.removeAll(before);
      if (!gone.isEmpty() || !come.isEmpty()) {
        rows.add(what + " | " + list("−", gone) + " | " + list("+", come));
      }
    } else {
      rows.add(what + " | " + text(old) + " | " + text(now));
    }
  }

  private static List<String> words(JsonNode array) {
    List<String> all = new ArrayList<>();
    array.forEach(n -> all.add(n.asString()));
    return all;
  }

  private static String list(String sign, List<String> words) {
    return words.isEmpty() ? "" : sign + " " + String.join("; " + sign + " ", words);
  }

  private static String text(JsonNode n) {
    return n.isMissingNode()
        ? "not said"
        : n.isValueNode() ? n.asString() : n.toString().replace("\"", "");
  }
}

package riposo.catalogue;

import com.networknt.schema.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import riposo.catalogue.CatalogueException.Problem;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** A YAML or JSON file that fits its schema, with the lines its fields stand on. */
record Source(String file, JsonNode node, Lines lines) {
  private static final YAMLMapper YAML = new YAMLMapper();

  /** Reads a file; null where it does not parse or fit, every problem added. */
  static @Nullable Source read(String file, String text, Schema schema, List<Problem> problems) {
    JsonNode node;
    Lines lines;
    try {
      Problem broken = YamlBounds.broken(file, text);
      if (broken != null) {
        problems.add(broken);
        return null;
      }
      Lines on = Lines.of(text);
      int before = problems.size();
      node =
          Plain.of(
              YAML.readTree(text),
              (at, words) -> problems.add(new Problem(file, on.at(at), at, words)));
      if (problems.size() > before) {
        return null;
      }
      lines = on;
    } catch (JacksonException e) {
      problems.add(new Problem(file, Document.line(e), "", String.valueOf(e.getOriginalMessage())));
      return null;
    } catch (YamlEngineException e) {
      problems.add(new Problem(file, 1, "", String.valueOf(e.getMessage())));
      return null;
    }
    Source source = new Source(file, node, lines);
    int before = problems.size();
    schema
        .validate(node)
        .forEach(
            m ->
                problems.add(
                    source.problem(m.getInstanceLocation().toString(), plain(m.getMessage()))));
    return problems.size() > before ? null : source;
  }

  /** A number left out or unreadable is met by people, not only by writers of documents. */
  private static String plain(String message) {
    return message.replace("null found, integer expected", "A whole number is asked for.");
  }

  Problem problem(String field, String words) {
    return new Problem(file, lines.at(field), field, words);
  }
}

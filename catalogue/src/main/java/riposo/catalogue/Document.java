package riposo.catalogue;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A JSON document held to its schema before anything is made of it. */
final class Document {
  /** Reads no deeper than documents of the product are, by far. */
  static final JsonMapper JSON =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder().maxNestingDepth(YamlBounds.DEPTH).build())
                  .build())
          .build();

  private final JsonMapper json;
  private final Schema schema;
  private final String unreadable;

  /**
   * @param schema the JSON schema as text
   * @param unreadable what is said of one that cannot be read
   */
  Document(JsonMapper json, String schema, String unreadable) {
    this.json = json;
    this.schema =
        SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12).getSchema(schema);
    this.unreadable = unreadable;
  }

  /**
   * The document.
   *
   * @throws CatalogueException naming the line where it is no JSON, or every field against the
   *     schema
   */
  JsonNode read(String text) {
    JsonNode node;
    List<String> problems = new ArrayList<>();
    try {
      node = Plain.of(json.readTree(text), (at, words) -> problems.add(at + ": " + words));
    } catch (JacksonException e) {
      throw problem("line " + line(e) + ": " + e.getOriginalMessage());
    }
    if (problems.isEmpty()) {
      schema
          .validate(node)
          .forEach(m -> problems.add(m.getInstanceLocation() + ": " + m.getMessage()));
    }
    if (!problems.isEmpty()) {
      throw new CatalogueException(unreadable, problems);
    }
    return node;
  }

  /** The line a text cannot be read on; 1 where the reader does not know. */
  static int line(JacksonException e) {
    @Nullable TokenStreamLocation at = e.getLocation();
    return at == null ? 1 : Math.max(1, at.getLineNr());
  }

  CatalogueException problem(String sentence) {
    return new CatalogueException(unreadable, List.of(sentence));
  }
}

package riposo.catalogue;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A JSON document held to its schema before anything is made of it. */
final class Document {
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
    try {
      node = json.readTree(text);
    } catch (JacksonException e) {
      throw problem("line " + e.getLocation().getLineNr() + ": " + e.getOriginalMessage());
    }
    List<String> problems = new ArrayList<>();
    schema
        .validate(node)
        .forEach(m -> problems.add(m.getInstanceLocation() + ": " + m.getMessage()));
    if (!problems.isEmpty()) {
      throw new CatalogueException(unreadable, problems);
    }
    return node;
  }

  CatalogueException problem(String sentence) {
    return new CatalogueException(unreadable, List.of(sentence));
  }
}

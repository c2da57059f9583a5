/** Reads and checks the catalogue's data files: YAML, one family a file, with a JSON schema. */
@NullMarked
package riposo.catalogue;

import org.jspecify.annotations.NullMarked;

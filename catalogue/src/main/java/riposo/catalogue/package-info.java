/**
 * Open documents and data files, read and written. {@link riposo.catalogue.CatalogueReader}:
 * movements, YAML, one family a file, with a JSON schema. {@link riposo.catalogue.PlanDocument}: a
 * session plan. {@link riposo.catalogue.RunDocument}: a run, "riposo-run/1", of {@link
 * riposo.catalogue.EventDocument}s and {@link riposo.catalogue.EntryDocument}s; {@link
 * riposo.catalogue.OldRun} what the first version stored of one. {@link
 * riposo.catalogue.JudgementDocument}: a verdict as it is stored.
 */
@NullMarked
package riposo.catalogue;

import org.jspecify.annotations.NullMarked;

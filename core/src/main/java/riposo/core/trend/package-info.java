/**
 * What figures over weeks say, and whether it is more than noise. {@link riposo.core.trend.Point}
 * is one figure of a day, {@link riposo.core.trend.Slope} their course by Theil and Sen with its
 * interval, {@link riposo.core.trend.Trend} a figure of a family over its sessions, as {@link
 * riposo.core.trend.FamilyTrends} reads them; {@link riposo.core.trend.LeftRight} compares the
 * sides, {@link riposo.core.trend.WeekLoad} a week with the four before it, {@link
 * riposo.core.trend.Before} puts what was different before a day side by side.
 */
@NullMarked
package riposo.core.trend;

import org.jspecify.annotations.NullMarked;

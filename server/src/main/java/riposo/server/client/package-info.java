/**
 * Clients of a studio: {@link riposo.server.client.Clients}, {@link
 * riposo.server.client.ClientRecord}, {@link riposo.server.client.Attachments}. What each module
 * keeps of a client it gives as {@link riposo.server.client.ClientData}, to export or to erase.
 * Inside: {@code ClientService}, {@code RoomService}, {@code AttachmentService}, {@code
 * PrivacyService}.
 */
@NullMarked
package riposo.server.client;

import org.jspecify.annotations.NullMarked;

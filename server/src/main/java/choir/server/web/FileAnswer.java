package choir.server.web;

import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** Content as a file to keep, so that nothing in it ever runs as a page of the service. */
public final class FileAnswer {
    private FileAnswer() {}

    /** @param name under which it is kept */
    public static ResponseEntity<byte[]> of(byte[] bytes, String type, String name) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(bytes);
    }
}

package mezcla.web.forms;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.util.MultiValueMap;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.multipart.MultipartRequest;
import org.springframework.web.util.WebUtils;

/** What a form was sent with, by whom and where to, as a hash: it tells the same form sent twice from another one. */
final class SentContent {
    private static final Set<String> NOT_CONTENT = Set.of("_csrf", "formKey");

    private SentContent() {}

    /** That of the form which is being answered; empty where there is none. */
    static String here() {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes)) {
            return "";
        }
        HttpServletRequest request = attributes.getRequest();
        StringBuilder content = new StringBuilder(request.getRequestURI()).append('\n');
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        content.append(who == null ? "" : who.getName()).append('\n');
        Map<String, String[]> fields = new TreeMap<>(request.getParameterMap());
        fields.keySet().removeAll(NOT_CONTENT);
        fields.forEach((name, values) ->
                content.append(name).append('=').append(Arrays.toString(values)).append('\n'));
        MultipartRequest files = WebUtils.getNativeRequest(request, MultipartRequest.class);
        if (files != null) {
            MultiValueMap<String, MultipartFile> sent = files.getMultiFileMap();
            sent.forEach((name, all) -> all.forEach(file ->
                    content.append(name).append(':').append(file.getSize()).append('\n')));
        }
        return hash(content.toString());
    }

    private static String hash(String content) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(content.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}

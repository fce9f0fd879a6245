package mezcla.web.batch;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import mezcla.leaflet.WasteRoute;

/** What a steward typed to discard fills, as it was typed. */
public class DiscardForm {
    private List<Long> fills = new ArrayList<>();
    private Map<Long, String> routes = new HashMap<>();
    private String reason = "";
    private String formKey = "";

    /** The fills that were ticked, each by its own name or by its place in the list. */
    public List<Long> getFills() {
        return fills;
    }

    public void setFills(List<Long> fills) {
        this.fills = new ArrayList<>(fills);
    }

    /** Where each goes, by fill. */
    public Map<Long, String> getRoutes() {
        return routes;
    }

    public void setRoutes(Map<Long, String> routes) {
        this.routes = routes;
    }

    public String getReason() {
        return reason;
    }

    public void setReason(String reason) {
        this.reason = reason;
    }

    public String getFormKey() {
        return formKey;
    }

    public void setFormKey(String formKey) {
        this.formKey = formKey;
    }

    /** Where each ticked fill goes; others unless chosen. */
    Map<Long, String> chosen() {
        Map<Long, String> chosen = new LinkedHashMap<>();
        fills.stream()
                .filter(Objects::nonNull)
                .forEach(fill -> chosen.put(fill, routes.getOrDefault(fill, WasteRoute.OTHERS.name())));
        return chosen;
    }
}

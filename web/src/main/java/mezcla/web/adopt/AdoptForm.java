package mezcla.web.adopt;

import java.util.HashMap;
import java.util.Map;

/** What a member typed about a batch that stands there already, as it was typed. */
public class AdoptForm {
    private String leaflet = "";
    private String name = "";
    private String mixed = "";
    private String rolls = "";
    private Map<String, String> volumes = new HashMap<>();
    private Map<String, String> bottles = new HashMap<>();
    private Map<String, String> bathRolls = new HashMap<>();
    private String cost = "";
    private String formKey = "";

    /** The version of the leaflet that it was mixed by. */
    public String getLeaflet() {
        return leaflet;
    }

    public void setLeaflet(String leaflet) {
        this.leaflet = leaflet;
    }

    public String getName() {
        return name;
    }

    public void setName(String name) {
        this.name = name;
    }

    /** The day on which it was mixed, as far as anybody knows. */
    public String getMixed() {
        return mixed;
    }

    public void setMixed(String mixed) {
        this.mixed = mixed;
    }

    /** How many rolls it has behind it, as far as anybody knows. */
    public String getRolls() {
        return rolls;
    }

    public void setRolls(String rolls) {
        this.rolls = rolls;
    }

    /** How much of each bath stands there, by the bath's key; empty for one that does not. */
    public Map<String, String> getVolumes() {
        return volumes;
    }

    public void setVolumes(Map<String, String> volumes) {
        this.volumes = volumes;
    }

    /** What each bath stands in, by the bath's key. */
    public Map<String, String> getBottles() {
        return bottles;
    }

    public void setBottles(Map<String, String> bottles) {
        this.bottles = bottles;
    }

    /** Rolls that a bath has behind it, by the bath's key; empty for as many as the others. */
    public Map<String, String> getBathRolls() {
        return bathRolls;
    }

    public void setBathRolls(Map<String, String> bathRolls) {
        this.bathRolls = bathRolls;
    }

    /** What all of it cost; empty where nobody knows. */
    public String getCost() {
        return cost;
    }

    public void setCost(String cost) {
        this.cost = cost;
    }

    public String getFormKey() {
        return formKey;
    }

    public void setFormKey(String formKey) {
        this.formKey = formKey;
    }
}

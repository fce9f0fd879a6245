package mezcla.web.cupboard.arrival;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What somebody typed about a kit that came, as it was typed. */
public class ArrivalForm {
    private String leaflet = "";
    private String count = "1";
    private String proposal = "";
    private List<String> parts = new ArrayList<>();
    private String price = "";
    private String delivery = "";
    private String lot = "";
    private String other = "";
    private String note = "";
    private String paidBy = "";
    private String came = "";
    private String formKey = "";

    public String getLeaflet() {
        return leaflet;
    }

    public void setLeaflet(String leaflet) {
        this.leaflet = leaflet;
    }

    /** The parts that were bought alone; none for a whole kit. */
    public List<String> getParts() {
        return parts;
    }

    public void setParts(List<String> parts) {
        this.parts = parts;
    }

    public String getPrice() {
        return price;
    }

    public void setPrice(String price) {
        this.price = price;
    }

    public String getDelivery() {
        return delivery;
    }

    public void setDelivery(String delivery) {
        this.delivery = delivery;
    }

    public String getLot() {
        return lot;
    }

    public void setLot(String lot) {
        this.lot = lot;
    }

    /** The day on which it came; empty for today. */
    public String getCame() {
        return came;
    }

    public void setCame(String came) {
        this.came = came;
    }

    public String getFormKey() {
        return formKey;
    }

    public void setFormKey(String formKey) {
        this.formKey = formKey;
    }

    /** What else it took: duty, a bank's fee; empty for nothing. */
    public String getOther() {
        return other;
    }

    public void setOther(String other) {
        this.other = other;
    }

    /** About the supplier. */
    public String getNote() {
        return note;
    }

    public void setNote(String note) {
        this.note = note;
    }

    /** Who paid; empty for the house. */
    public String getPaidBy() {
        return paidBy;
    }

    public void setPaidBy(String paidBy) {
        this.paidBy = paidBy;
    }

    /** How many of them came. */
    public String getCount() {
        return count;
    }

    public void setCount(String count) {
        this.count = count;
    }

    /** The proposal that this is; empty for none. */
    public String getProposal() {
        return proposal;
    }

    public void setProposal(String proposal) {
        this.proposal = proposal;
    }

    /** What was typed, by the names of the fields, to be kept as a proposal. */
    Map<String, String> typed() {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("leaflet", leaflet);
        typed.put("count", count);
        typed.put("price", price);
        typed.put("delivery", delivery);
        typed.put("other", other);
        typed.put("lot", lot);
        typed.put("note", note);
        typed.put("paidBy", paidBy);
        typed.put("came", came);
        typed.put("parts", String.join(",", parts));
        return typed;
    }

    /** A form as it was proposed, with that key. */
    static ArrivalForm of(KitProposal proposal, String formKey) {
        Map<String, String> typed = proposal.typed();
        ArrivalForm form = new ArrivalForm();
        form.leaflet = typed.getOrDefault("leaflet", "");
        form.count = typed.getOrDefault("count", "1");
        form.price = typed.getOrDefault("price", "");
        form.delivery = typed.getOrDefault("delivery", "");
        form.other = typed.getOrDefault("other", "");
        form.lot = typed.getOrDefault("lot", "");
        form.note = typed.getOrDefault("note", "");
        form.paidBy = typed.getOrDefault("paidBy", "");
        form.came = typed.getOrDefault("came", "");
        String alone = typed.getOrDefault("parts", "");
        form.parts = alone.isEmpty() ? new ArrayList<>() : new ArrayList<>(List.of(alone.split(",")));
        form.proposal = Long.toString(proposal.id());
        form.formKey = formKey;
        return form;
    }
}

package mezcla.web.cupboard.arrival;

import java.util.ArrayList;
import java.util.List;

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

    /** What was proposed, to be sent with another key. */
    static ArrivalForm of(KitProposal proposal, String formKey) {
        ArrivalForm form = proposal.form();
        form.proposal = Long.toString(proposal.id());
        form.formKey = formKey;
        return form;
    }
}

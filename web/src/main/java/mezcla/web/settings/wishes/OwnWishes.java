package mezcla.web.settings.wishes;

import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How members want their own film judged: by the careful school, whatever the house's is, or as the house does. */
@Service
public class OwnWishes {
    private final OwnWishesMapper mapper;

    OwnWishes(OwnWishesMapper mapper) {
        this.mapper = mapper;
    }

    /** The members who want their own film judged carefully, as they are called now. */
    @Transactional(readOnly = true)
    public Set<String> carefulMembers() {
        return mapper.careful();
    }

    /** Whether a member wants that. */
    @Transactional(readOnly = true)
    public boolean isCareful(long memberId) {
        return mapper.isCareful(memberId);
    }

    /** Says whether a member wants that. */
    @Transactional
    public void careful(long memberId, boolean careful) {
        mapper.setCareful(memberId, careful);
    }
}

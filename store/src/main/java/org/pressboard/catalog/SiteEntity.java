package org.pressboard.catalog;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "site")
class SiteEntity {

    static final short ONLY = 1;

    @Id
    private short id;

    private String name;
    private String language;
    private String foot;

    @Enumerated(EnumType.STRING)
    private Site.SignUp signUp;

    private @Nullable String publicAddress;
    private @Nullable String suggestedAddress;
    private @Nullable String zone;

    @SuppressWarnings("NullAway") // Hibernate fills it
    protected SiteEntity() {
    }

    Site toSite() {
        return new Site(name, language, publicAddress == null ? "" : publicAddress, signUp,
                zone == null ? ZoneId.systemDefault() : ZoneId.of(zone), foot);
    }

    void change(Site site) {
        name = site.name();
        language = site.languageTag();
        signUp = site.signUp();
        foot = site.foot();
        zone = site.zone().getId();
        publicAddress = site.publicAddress().isEmpty() ? null : site.publicAddress();
    }

    /** The address under which the site was first signed in to; empty before. */
    String suggestedAddress() {
        return suggestedAddress == null ? "" : suggestedAddress;
    }

    void suggest(String address) {
        suggestedAddress = suggestedAddress == null ? address : suggestedAddress;
    }
}

package choir.policy;

/**
 * One thing a policy can say.
 *
 * @param title two or three words for a column or a form
 * @param meaning one plain sentence
 * @param loss what is lost when the value is too low, too late or missing
 * @param waste what is wasted when it is the other way
 */
public record Setting(SettingKey key, SettingType type, String title, String meaning, String loss, String waste) {
    /** What is right for one scene is seldom right for another: how sensitive, how much must change, and where. */
    public boolean dependsOnScene() {
        return type instanceof SettingType.SensitivityOrAuto
                || type instanceof SettingType.ShareOfPicture
                || type instanceof SettingType.AreaList;
    }
}

package wildflourish.core.growing;

/** What was asked and what was planned at one stage. */
public record StagePlan(Task task, Plan plan, Choices choices) {}

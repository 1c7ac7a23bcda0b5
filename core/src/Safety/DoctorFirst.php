<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Data\Fields;

/** What "ask a doctor first" means until the leave is recorded: light, no elbow, half the time, in all that it names. */
final readonly class DoctorFirst
{
    /**
     * @param  list<string>  $tools  that are not used meanwhile
     * @param  float  $share  of the minutes of a visit where it names the whole body
     * @param  float  $stepMinutes  at most on one muscle where it names a place
     */
    private function __construct(
        private float $cap,
        private array $tools,
        private float $share,
        private float $stepMinutes,
        private int $usualMinutes,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->float('cap'), $row->strings('tools'), $row->float('minutes_share'), $row->float('step_minutes'),
            $row->int('usual_minutes'),
        );
    }

    /**
     * @param  list<Limit>  $limits
     * @return list<Limit> the same, with what each "doctor first" holds meanwhile
     */
    public function meanwhile(array $limits, ?int $minutes): array
    {
        $meant = $limits;
        foreach ($limits as $limit) {
            if ($limit->effect !== Effect::DoctorFirst) {
                continue;
            }
            $scope = $limit->scope;
            $until = array_map(
                static fn (string $reason): string => rtrim($reason, '.').', and until then light and short.', $limit->reasons,
            );
            $most = $scope->isEverything() ? ($minutes ?? $this->usualMinutes) * $this->share : $this->stepMinutes;
            $meant[] = new Limit(Effect::CapPressure, $scope, $this->cap, $limit->rules, $until, $limit->instead, cause: $limit->cause);
            $meant[] = new Limit(Effect::CapMinutes, $scope, $most, $limit->rules, $until, $limit->instead, cause: $limit->cause);
            foreach ($this->tools as $tool) {
                $meant[] = new Limit(
                    Effect::Exclude, $scope->with(tool: $tool), null, $limit->rules, $until, $limit->instead, cause: $limit->cause,
                );
            }
        }

        return $meant;
    }
}

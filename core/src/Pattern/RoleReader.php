<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\MuscleAt;

/** Reads the part a muscle plays from what speaks for it. */
final readonly class RoleReader
{
    public function of(RankingContext $context, SignBook $book, MuscleAt $at, TriggerPoint $point): Role
    {
        $names = $book->names($at);
        $own = isset($names['complaint_own_zone']);
        $refers = isset($names['complaint_core_referral']) || isset($names['complaint_spill_over']);
        $tender = isset($names['tenderness_2']) || isset($names['tenderness_3']) || isset($names['tenderness_4']);
        $familiar = isset($names['familiar']);
        $short = $book->sum($at, 'shortness', 'posture') > 0 || isset($names['posture_marked']);
        $long = isset($names['posture_long']) && $this->antagonistShort($context, $book, $at);
        $sends = isset($names['referral_fits']) || isset($names['referral_typical']) || isset($names['referral_odd']);
        $worked = isset($names['demand']) || isset($names['demand_dominant']);

        return match (true) {
            $own && $long && ! isset($names['short_2']) && ! isset($names['short_3']) => Role::Overstretched,
            // short by its movements, and felt to be quiet: whatever pulls there, it is not this one
            isset($names['short_antagonist']) && ($tender || ! isset($names['tenderness_0'])) => Role::Source,
            $refers && ($familiar || isset($names['referral_fits']) || ($tender && $short)) => Role::Source,
            $own && ($point === TriggerPoint::Active || ($familiar && $short)) => Role::Source,
            $own && $tender && ! $short && ! $sends => Role::Site,
            ! $own && ! $refers && (isset($names['tone_raised']) || ($tender && $worked)) => Role::Compensating,
            default => Role::Unclear,
        };
    }

    private function antagonistShort(RankingContext $context, SignBook $book, MuscleAt $at): bool
    {
        foreach ($context->atlas->muscle($at->muscle)->antagonists as $antagonist) {
            if ($book->sum(new MuscleAt($antagonist, $at->side), 'shortness', 'posture') > 0) {
                return true;
            }
        }

        return false;
    }
}

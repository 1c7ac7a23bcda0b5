<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Record;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Record\ReasoningWriter;
use Somatrace\Core\Record\Sentence;
use Somatrace\Core\Record\Terms;
use Somatrace\Core\Record\Wording;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\SpokenFindings;

/** What a note says of what explains the picture, where it is a joint, a muscle beside one, or none of these. */
final class ReasoningTest extends TestCase
{
    private const STIFF = 'hurts neck_back right now 5; tests neck_spring right 0 at C5 hurts 5; '
        .'felt levator_scapulae right tender 2 not own; felt splenius_cervicis right tender 1 not own';

    public function test_a_joint_that_explains_it_best_is_named_first_with_what_lies_around_it(): void
    {
        self::assertSame([
            'Best supported: neck level C5, right, with strong support: it lies where it hurts: back of the neck, right; neck spring C5 right is '
                .'stuck; neck spring C5 right hurts. Around it, found tense, tender or short: right levator scapulae.',
        ], $this->reasoning(self::STIFF));
    }

    public function test_a_muscle_that_explains_it_better_is_named_first_and_the_joint_after_it(): void
    {
        $said = $this->reasoning(str_replace('tender 2 not own', 'tender 3 band own', self::STIFF));

        self::assertStringStartsWith('Most likely source: right levator scapulae, with ', $said[0]);
        self::assertStringStartsWith('Also a joint: neck level C5, right, with some support: ', $said[1]);
    }

    public function test_behind_a_joint_no_muscle_is_called_the_most_likely_source(): void
    {
        $said = $this->reasoning(str_replace('tender 2 not own', 'tender 3 own', self::STIFF));

        self::assertStringNotContainsString('Most likely source', implode(' ', array_slice($said, 1)));
        self::assertSame(1, preg_match_all('/Best supported: |Most likely source: /', implode(' ', $said)));
    }

    public function test_where_none_of_these_leads_neither_a_muscle_nor_a_joint_is_named(): void
    {
        $said = $this->reasoning(
            'hurts fingers_index_middle right now 6 feels tingling; tests cervical_compression midline positive into forearm_back; '
                .'tests cervical_lift midline relieves; resists elbow.extension right strength 3 hurts 0; tests neck_spring right 0 at C6',
        );

        self::assertStringStartsWith('No muscle explains the picture: a nerve answers: ', $said[0]);
        self::assertStringNotContainsString('neck level', implode(' ', $said));
    }

    /** @return list<string> */
    private function reasoning(string $findings): array
    {
        $clinic = Core::clinic();
        $case = SpokenFindings::make($findings)->make();
        $writer = new ReasoningWriter($clinic->atlas(), new Terms($clinic->atlas(), Wording::Plain));

        return array_map(static fn (Sentence $one): string => $one->text, $writer->of($case, $clinic->rank($case), []));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\CaseAssembler;
use App\Cases\EntryRows;
use App\Cases\VisitNote;
use App\Models\EntryKind;
use App\Models\Visit;
use App\Support\FigureSvg;
use App\Support\Paper;
use Somatrace\Core\Clinic;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\Chain;
use Somatrace\Core\Pattern\JointCandidate;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Pattern\Role;
use Somatrace\Core\Record\Part;
use Somatrace\Core\Record\Sentence;

/** The assessment on one page, in words for the client: where it hurts, what was found, and what may explain it. */
final readonly class SummaryPage
{
    private const SHOWN = 3;

    public function __construct(
        private CaseAssembler $cases,
        private VisitNote $note,
        private FigureSvg $figure,
        private Paper $paper,
        private Clinic $clinic,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Visit $visit): array
    {
        $case = $this->cases->of($visit);
        $rows = EntryRows::of([$visit->id]);
        $note = $this->note->forClient($visit);
        $said = static fn (Part $part): array => array_map(static fn (Sentence $one): string => $one->text, $note->of($part));

        return [
            ...PaperHead::of($visit),
            'complaints' => $rows->payloads(EntryKind::Complaint), 'felt' => $rows->payloads(EntryKind::Palpation),
            'reason' => $said(Part::Reason), 'found' => $said(Part::Found),
            'explains' => $this->explains($this->clinic->rank($case)),
            'chains' => array_values(array_map(
                static fn (Chain $chain): string => $chain->title,
                array_filter($this->clinic->chains($case), static fn (Chain $chain): bool => $chain->isTold()),
            )),
        ];
    }

    public function pdf(Visit $visit): string
    {
        $page = $this->of($visit);

        return $this->paper->pdf(
            'papers.summary', [...$page, 'figure' => $this->figure->of($page['complaints'], $page['felt'], true)],
        );
    }

    /** @return list<array{name: string, words: string}> those with more than slight support, or the first one said as a guess */
    private function explains(PatternResult $pattern): array
    {
        if ($pattern->ofNone->leads) {
            return [];
        }
        $leaders = array_slice($pattern->candidates, 0, self::SHOWN);
        $shown = array_filter($leaders, static fn (Candidate $one): bool => $one->word !== 'slight' && $one->evidence() !== []);
        $told = array_map(fn (Candidate $one): array => [$one->support, $this->explain($one)], $shown);
        $joint = $pattern->leadingJoint();
        if ($joint !== null) {
            $told[] = [$joint->support, $this->explainJoint($joint)];
        }
        usort($told, static fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return array_column($told, 1);
    }

    /** @return array{name: string, words: string} */
    private function explainJoint(JointCandidate $one): array
    {
        $where = $this->clinic->atlas()->zone($one->at->joint->painAt($one->at->level)->own[0] ?? '')->name;

        return [
            'name' => $one->name,
            'words' => __('A joint at the :where: it moves too little, and may keep what lies around it tense.', ['where' => $where])
                .' '.$this->sure($one->word),
        ];
    }

    /** @return array{name: string, words: string} */
    private function explain(Candidate $one): array
    {
        $muscle = $this->clinic->atlas()->muscle($one->at->muscle);
        $where = $this->clinic->atlas()->zone($muscle->zones[0] ?? '')->name.", {$one->at->side->value}";
        $role = match ($one->role) {
            Role::Source => __('the pain may well come from here'),
            Role::Site => __('it is sore where it hurts; what started it may lie elsewhere'),
            Role::Overstretched => __('it aches because something on the other side of the joint pulls on it'),
            Role::Compensating => __('it works for something else and is tired'),
            Role::Unclear => __('it fits what was found so far'),
        };

        return [
            'name' => $muscle->name.($muscle->plain === null ? '' : " ({$muscle->plain})"),
            'words' => __('A muscle at the :where: :role.', ['where' => $where, 'role' => $role]).' '.$this->sure($one->word),
        ];
    }

    private function sure(string $word): string
    {
        return match ($word) {
            'very strong' => __('Nearly everything found points to it.'),
            'strong' => __('Most of what was found points to it.'),
            default => __('Some of what was found points to it.'),
        };
    }
}

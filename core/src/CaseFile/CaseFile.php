<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

/** Everything known about one client at one moment. */
final readonly class CaseFile
{
    public const FORMAT = 'somatrace.case';

    public const VERSION = 1;

    /**
     * @param  list<Demand>  $demands
     * @param  list<Consent>  $consent
     * @param  list<Exposure>  $exposure
     * @param  list<PastVisit>  $history  oldest first
     * @param  list<Override>  $overrides
     * @param  list<Goal>  $goals
     */
    public function __construct(
        public \DateTimeImmutable $asOf,
        public Client $client,
        public Findings $findings = new Findings,
        public Health $health = new Health,
        public array $demands = [],
        public array $consent = [],
        public array $exposure = [],
        public Session $session = new Session,
        public Therapist $therapist = new Therapist,
        public array $history = [],
        public array $overrides = [],
        public ?string $note = null,
        public array $goals = [],
    ) {
    }

    public static function from(Fields $f): self
    {
        $history = $f->map('history', PastVisit::from(...));
        usort($history, static fn (PastVisit $a, PastVisit $b): int => [$a->date, $a->at] <=> [$b->date, $b->at]);

        return new self(
            Dates::of($f->string('as_of')), Client::from($f->fields('client')), Findings::from($f->fields('findings')),
            Health::from($f->fields('health')),
            array_values(array_filter($f->map('demands', Demand::from(...)), static fn (Demand $one): bool => $one->hoursPerWeek !== 0.0)),
            $f->map('consent', Consent::from(...)),
            array_map(Exposure::from(...), $f->having('exposure', 'muscle')),
            Session::from($f->fields('session')), Therapist::from($f->fields('therapist')), $history,
            $f->map('overrides', Override::from(...)), $f->stringOrNull('note'), array_values(array_filter(
                $f->map('goals', static fn (Fields $goal): ?Goal => Goal::isOver($goal) ? null : Goal::from($goal)),
            )),
        );
    }

    public function withFindings(Findings $findings): self
    {
        return new self(
            $this->asOf, $this->client, $findings, $this->health, $this->demands, $this->consent, $this->exposure, $this->session,
            $this->therapist,
            $this->history, $this->overrides, $this->note, $this->goals,
        );
    }

    public function withSession(Session $session): self
    {
        return new self(
            $this->asOf, $this->client, $this->findings, $this->health, $this->demands, $this->consent, $this->exposure, $session,
            $this->therapist,
            $this->history, $this->overrides, $this->note, $this->goals,
        );
    }
}

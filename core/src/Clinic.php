<?php

declare(strict_types=1);

namespace Somatrace\Core;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\AtlasFiles;
use Somatrace\Core\Anatomy\Search;
use Somatrace\Core\Anatomy\Tool;
use Somatrace\Core\Assessment\TestGuard;
use Somatrace\Core\Assessment\Worklist;
use Somatrace\Core\Assessment\Worklists;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\CaseReader;
use Somatrace\Core\CaseFile\CaseSense;
use Somatrace\Core\CaseFile\CaseWriter;
use Somatrace\Core\CaseFile\EntryDeclaration;
use Somatrace\Core\CaseFile\EntryDeclarations;
use Somatrace\Core\Data\Compiled;
use Somatrace\Core\Data\FaultyDocument;
use Somatrace\Core\Data\JsonFile;
use Somatrace\Core\Data\SchemaValidator;
use Somatrace\Core\Findings\Parts;
use Somatrace\Core\Findings\Reproduction;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\Plate;
use Somatrace\Core\Handwork\Recipes;
use Somatrace\Core\HomeCare\Advice;
use Somatrace\Core\HomeCare\HomeCareChooser;
use Somatrace\Core\HomeCare\HomeCareFigures;
use Somatrace\Core\HomeCare\Possible;
use Somatrace\Core\Measures\Comparing;
use Somatrace\Core\Measures\Comparison;
use Somatrace\Core\Pattern\Chain;
use Somatrace\Core\Pattern\ChainFigures;
use Somatrace\Core\Pattern\Chains;
use Somatrace\Core\Pattern\Figures;
use Somatrace\Core\Pattern\PatternEngine;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Pattern\Supposing;
use Somatrace\Core\Pattern\WholePattern;
use Somatrace\Core\Planning\Planner;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\Protocols;
use Somatrace\Core\Record\ComposedNote;
use Somatrace\Core\Record\Judged;
use Somatrace\Core\Record\NoteComposer;
use Somatrace\Core\Record\Terms;
use Somatrace\Core\Record\VisitRecord;
use Somatrace\Core\Response\NextVisit;
use Somatrace\Core\Response\NextVisitJudge;
use Somatrace\Core\Response\Quietness;
use Somatrace\Core\Response\ResponseFigures;
use Somatrace\Core\Response\ResponseJudge;
use Somatrace\Core\Response\ResponseResult;
use Somatrace\Core\Safety\ConditionTissue;
use Somatrace\Core\Safety\SafetyGate;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Safety\SafetyRules;
use Somatrace\Core\Training\Trainer;
use Somatrace\Core\Treatment\EventCheck;
use Somatrace\Core\Treatment\Tableside;

/**
 * The one door to the core: screen, rank, plan, respond. Everything behind it is pure and explains itself.
 */
final class Clinic
{
    private ?SafetyGate $gate = null;

    private ?Figures $figures = null;

    private ?PatternEngine $engine = null;

    private ?ResponseJudge $judge = null;

    private ?Planner $planner = null;

    private ?WholePattern $wholePattern = null;

    private ?SchemaValidator $schema = null;

    private ?SchemaValidator $besideCase = null;

    private ?EntryDeclarations $entries = null;

    private ?EventCheck $events = null;

    private ?SafetyRules $rules = null;

    private ?ResponseFigures $responseFigures = null;

    private ?Tableside $tableside = null;

    private ?Quietness $quietness = null;

    private ?ConditionTissue $tissue = null;

    private ?Search $search = null;

    private ?Trainer $trainer = null;

    private ?PlanFigures $planFigures = null;

    private ?HomeCareFigures $homeCareFigures = null;

    /** @var Said<SafetyResult> */
    private Said $screened;

    /** @var Said<PatternResult> */
    private Said $ranked;

    /** @var Said<ResponseResult> */
    private Said $responded;

    /** @var Said<CaseFile> */
    private Said $resolved;

    private ?Atlas $loaded = null;

    private ?string $version = null;

    /** A case never changes, so what was said of it once is said again: planning asks for screening, ranking and response. */
    private function __construct(private readonly string $folder, private readonly ?string $compiled)
    {
        $this->screened = new Said;
        $this->resolved = new Said;
        $this->ranked = new Said;
        $this->responded = new Said;
    }

    /**
     * @param  string|null  $folder  the data; the core's own without it
     * @param  string|null  $compiled  where the compiled atlas is kept
     */
    public static function open(?string $folder = null, ?string $compiled = null): self
    {
        return new self($folder ?? dirname(__DIR__).'/data', $compiled);
    }

    /** Other rules and figures, from a folder of data, over an atlas that is loaded already. */
    public static function over(Atlas $atlas, string $folder): self
    {
        $clinic = new self($folder, null);
        $clinic->loaded = $atlas;

        return $clinic;
    }

    /**
     * The atlas is read when it is first asked for: who only wants what was stored, and its version, does not wait for it.
     *
     * @throws FaultyDocument when a data file is wrong
     */
    public function atlas(): Atlas
    {
        return $this->loaded ??= Atlas::load($this->folder, $this->compiled);
    }

    public function version(): string
    {
        return $this->loaded->version ?? $this->version ??= Atlas::versionOf($this->folder, $this->compiled);
    }

    public function reader(): CaseReader
    {
        return new CaseReader($this->schema(), $this->sense());
    }

    public function sense(): CaseSense
    {
        return new CaseSense($this->atlas(), $this->entries()->identities);
    }

    /** The folder of the schemas. */
    public function schemas(): string
    {
        return $this->folder.'/schema';
    }

    /** What a visit records, kind by kind. */
    public function entries(): EntryDeclarations
    {
        return $this->entries ??= EntryDeclarations::in($this->schemas());
    }

    /** The schema that describes what an entry holds. */
    public function schemaOf(EntryDeclaration $entry): SchemaValidator
    {
        return $entry->inCase ? $this->schema() : $this->besideCase ??= new SchemaValidator($this->folder.'/schema/entries.schema.json');
    }

    public function schema(): SchemaValidator
    {
        return $this->schema ??= new SchemaValidator($this->folder.'/schema/case.schema.json');
    }

    public function events(): EventCheck
    {
        return $this->events ??= new EventCheck($this->atlas(), new SchemaValidator($this->folder.'/schema/events.schema.json'));
    }

    public function tableside(): Tableside
    {
        return $this->tableside ??= Tableside::load($this->folder);
    }

    public function writer(): CaseWriter
    {
        return new CaseWriter;
    }

    public function rules(): SafetyRules
    {
        $load = fn (): SafetyRules => SafetyRules::load($this->folder);

        return $this->rules ??= $this->compiled === null
            ? $load()
            : (new Compiled(
                "$this->compiled.rules", (new AtlasFiles($this->folder))->stamp(), __DIR__.'/Safety', __DIR__.'/Healing',
            ))->of(SafetyRules::class, $load);
    }

    public function screen(CaseFile $case): SafetyResult
    {
        return $this->screened->of($case, fn (): SafetyResult => self::undisturbed(fn (): SafetyResult => $this->gate()->screen($case)));
    }

    /**
     * Nothing that is made while something is judged points back at itself, so that nothing is left for the collector of cycles; it would
     * walk the whole atlas in the middle of it, which takes as long as half a ranking.
     *
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return T
     */
    private static function undisturbed(\Closure $work): mixed
    {
        $collects = gc_enabled();
        gc_disable();
        try {
            return $work();
        } finally {
            if ($collects) {
                gc_enable();
            }
        }
    }

    private function gate(): SafetyGate
    {
        return $this->gate ??= new SafetyGate($this->atlas(), $this->rules(), $this->tissue(), $this->reproduction());
    }

    private function testGuard(): TestGuard
    {
        return new TestGuard($this->rules(), $this->gate());
    }

    /** Where nobody should be treated, nobody should be tested further either: then no next check is offered. */
    public function rank(CaseFile $case): PatternResult
    {
        return self::undisturbed(function () use ($case): PatternResult {
            $pattern = $this->ranking($case);

            return $this->screen($case)->verdict->allowsTreatment()
                ? $this->engine()->withChecks($case, $pattern, $this->testGuard()->allowed($case)) : $pattern;
        });
    }

    /**
     * The case as it would be if a check not yet done answered clearly, and if it were clean.
     *
     * @param  string  $kind  palpate, range, resisted or test
     * @return array{answers: CaseFile, clean: CaseFile} nothing of them is recorded
     *
     * @throws Anatomy\UnknownId when there is no such check
     */
    public function whatIf(CaseFile $case, string $kind, string $id, Anatomy\Side $side): array
    {
        $level = $kind === 'test' ? $this->ranking($case)->levelTriedBy($id, $side) : null;
        $suppose = fn (bool $answers): CaseFile => (new Supposing($this->atlas()))->with($case, $kind, $id, $side, $answers, $level);

        return ['answers' => $suppose(true), 'clean' => $suppose(false)];
    }

    /**
     * What to measure and feel, in the order in which the client turns least.
     *
     * @param  list<string>  $regions  the regions of the complaints without them
     * @param  string|null  $position  where the client is now: standing or a family of positions
     *
     * @throws Anatomy\UnknownId when there is no such region
     */
    public function worklist(CaseFile $case, array $regions = [], bool $full = false, ?string $position = null): Worklist
    {
        return (new Worklists($this->atlas(), $this->testGuard()))->of($case, $regions, $full, $position);
    }

    /** @return list<Comparison> what was measured today beside the usual, the other side, the last time and the first */
    public function compared(CaseFile $case): array
    {
        return (new Comparing($this->atlas(), $this->responseFigures()->measures))->of($case);
    }

    /** @return list<Chain> what found in one place would keep up the trouble in another */
    public function chains(CaseFile $case): array
    {
        return (new Chains($this->atlas(), ChainFigures::load($this->folder), $this->wholePattern()))->of($case, $this->ranking($case));
    }

    public function respond(CaseFile $case): ResponseResult
    {
        $case = $this->told($case);
        $this->judge ??= new ResponseJudge($this->atlas(), $this->responseFigures(), $this->quietness(), $this->tissue(), $this->rules());

        return $this->responded->of($case, fn (): ResponseResult => self::undisturbed(fn (): ResponseResult => $this->judge->judge($case)));
    }

    /** A note as it is composed from what a visit recorded. */
    public function note(VisitRecord $record, ?Terms $terms = null): ComposedNote
    {
        $case = $record->case;

        return (new NoteComposer($this->atlas(), $this->rules(), $this->responseFigures()->measures))->of(
            $record, $terms ?? new Terms($this->atlas()), new Judged(
                $this->screen($case), $this->ranking($case), $this->compared($case), $this->chains($case),
                $this->nextVisit($case, $record->worthMinutes()),
            ),
        );
    }

    /**
     * @param  list<Anatomy\MuscleAt>  $worked  today
     * @param  list<string>  $before  ids of what was handed out at the last visit
     * @return list<Advice> for home, best first
     */
    public function homeCare(CaseFile $case, array $worked, array $before = []): array
    {
        return $this->homeCareChooser()->of($case, $this->screen($case), $this->ranking($case), $worked, $before);
    }

    /** @return list<Possible> all there is for home, and what stands against it today */
    public function everyHomeCare(CaseFile $case): array
    {
        return $this->homeCareChooser()->every($case, $this->screen($case));
    }

    private function homeCareChooser(): HomeCareChooser
    {
        return new HomeCareChooser($this->atlas(), $this->homeCareFigures(), $this->rules(), $this->tissue());
    }

    public function homeCareFigures(): HomeCareFigures
    {
        return $this->homeCareFigures ??= HomeCareFigures::load($this->folder);
    }

    /** @param  float|null  $worthMinutes  what today's plan found worth doing; null where nothing was planned */
    public function nextVisit(CaseFile $case, ?float $worthMinutes): NextVisit
    {
        return (new NextVisitJudge($this->responseFigures(), $this->tissue(), $this->planFigures()->defaultMinutes))->of(
            $case, $this->screen($case), $this->respond($case), $worthMinutes,
        );
    }

    public function wholePattern(): WholePattern
    {
        return $this->wholePattern ??= WholePattern::load($this->folder);
    }

    public function plan(CaseFile $case): PlanResult
    {
        $told = $this->told($case);
        $this->planner ??= new Planner(
            $this->atlas(), $this->planFigures(), Recipes::load($this->folder), $this->wholePattern(),
        );

        return self::undisturbed(
            fn (): PlanResult => $this->planner->plan($told, $this->screen($case), $this->ranking($told), $this->respond($told)),
        );
    }

    /** What is left of a visit: the same plan for the minutes left, with what was done taken into account. */
    public function replan(CaseFile $case): PlanResult
    {
        return $this->plan($case);
    }

    /**
     * @param  list<string>  $values  minutes, or choices of a school
     * @return array<string, PlanResult> one plan per value
     */
    public function compare(CaseFile $case, array $values): array
    {
        $plans = [];
        foreach ($values as $value) {
            $session = ctype_digit($value)
                ? $case->session->withMinutes((int) $value)
                : $case->session->withSchool($this->schoolQuestion($value) ?? '', $value);
            $plans[$value] = $this->plan($case->withSession($session));
        }

        return $plans;
    }

    public function protocols(): Protocols
    {
        return new Protocols($this->folder, $this->atlas(), $this->rules(), $this->schema(), $this->sense());
    }

    /** @return array<string, list<string>> where practitioners differ, and the choices */
    public function schools(): array
    {
        $schools = JsonFile::read($this->folder.'/vocabulary.json')->fields('school');

        return array_combine($schools->keys(), array_map($schools->strings(...), $schools->keys()));
    }

    /** @return array<string, string> the choice that holds where nobody has made one */
    public function schoolDefaults(): array
    {
        return $this->planFigures()->schoolDefault;
    }

    /** The question a school choice answers; null when no school knows it. */
    public function schoolQuestion(string $choice): ?string
    {
        foreach ($this->schools() as $question => $choices) {
            if (in_array($choice, $choices, true)) {
                return $question;
            }
        }

        return null;
    }

    public function search(): Search
    {
        return $this->search ??= new Search($this->atlas(), JsonFile::read("{$this->folder}/search.json"));
    }

    public function trainer(): Trainer
    {
        return $this->trainer ??= new Trainer($this->atlas(), $this->planFigures()->regions, $this->planFigures()->regionOfZone);
    }

    /** @return list<string> the tools that everybody has: parts of the hand and arm */
    public function hands(): array
    {
        return array_keys(array_filter($this->atlas()->tools, static fn (Tool $tool): bool => ! $tool->isAid));
    }

    /** @return list<string> the tools that are held, and owned or not */
    public function aids(): array
    {
        return array_values(array_diff(array_keys($this->atlas()->tools), $this->hands()));
    }

    /** @return list<string> the tools that are leant on, and show on a plate how much */
    public function leant(): array
    {
        return array_keys(array_filter($this->atlas()->tools, static fn (Tool $tool): bool => $tool->isLeantOn()));
    }

    public function plate(): Plate
    {
        return $this->planFigures()->plate;
    }

    /** Kilograms of a therapist who did not say. */
    public function usualMass(): float
    {
        return $this->planFigures()->defaultMassKg;
    }

    /** @return array<string, array{name: string, visit: float, day: float, week: float}> firm minutes, by part of the hand */
    public function handBudgets(): array
    {
        return array_map(
            static fn (array $one): array => array_intersect_key($one, ['name' => 0, 'visit' => 0, 'day' => 0, 'week' => 0]),
            $this->planFigures()->handBudgets,
        );
    }

    /** @return array<string, string> of each part of the hand a tool that is counted against it */
    public function toolOfPart(): array
    {
        $of = [];
        foreach ($this->atlas()->tools as $tool) {
            $of[$tool->costs] ??= $tool->id;
        }

        return array_intersect_key($of, $this->planFigures()->handBudgets);
    }

    /** Felt pressure, 0–10, from which work counts as a load on the therapist's hands. */
    public function firmFrom(): float
    {
        return $this->planFigures()->firmFrom;
    }

    /** @return array<string, string> as the planner has them */
    public function regionOfZone(): array
    {
        return $this->planFigures()->regionOfZone;
    }

    private function planFigures(): PlanFigures
    {
        return $this->planFigures ??= PlanFigures::load($this->folder);
    }

    /** The case with what was said of a whole told of the parts that were told apart. */
    private function told(CaseFile $case): CaseFile
    {
        $told = $this->resolved->of($case, fn (): CaseFile => (new Parts($this->atlas()))->resolved($case));

        return $this->resolved->of($told, static fn (): CaseFile => $told);
    }

    private function ranking(CaseFile $case): PatternResult
    {
        $told = $this->told($case);

        return $this->ranked->of($told, fn (): PatternResult => $this->engine()->rank($told));
    }

    /** The figures of the ranking, from data. */
    public function figures(): Figures
    {
        return $this->figures ??= Figures::load($this->folder);
    }

    public function engineWith(Figures $figures): PatternEngine
    {
        return new PatternEngine($this->atlas(), $figures, $this->quietness(), $this->reproduction(), $this->told(...));
    }

    /** The ranking by itself, without the gate: for trials on simulated clients. */
    public function engine(): PatternEngine
    {
        return $this->engine ??= $this->engineWith($this->figures());
    }

    private function reproduction(): Reproduction
    {
        return new Reproduction($this->atlas(), $this->rules()->groupsOfMovement);
    }

    private function tissue(): ConditionTissue
    {
        return $this->tissue ??= new ConditionTissue($this->atlas(), $this->rules());
    }

    public function responseFigures(): ResponseFigures
    {
        return $this->responseFigures ??= ResponseFigures::load($this->folder);
    }

    private function quietness(): Quietness
    {
        return $this->quietness ??= new Quietness($this->atlas(), $this->responseFigures());
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SaveEntry;
use App\Http\Pages\VisitLine;
use App\Http\Pages\VisitPage;
use App\Http\Requests\SaveEntriesRequest;
use App\Http\Requests\SaveEntryRequest;
use App\Models\User;
use App\Models\Visit;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final readonly class EntryController
{
    /** Everything as it stands now: a window that is looked at again reads what others wrote meanwhile. */
    public function index(Request $request, Visit $visit, VisitPage $page): JsonResponse
    {
        Gate::authorize('view', $visit);

        $judged = $page->judged($visit, $this->step($request));

        return response()->json(['entries' => $visit->readable()->get()->map(VisitPage::entry(...)), ...$judged]);
    }

    /** Several touches of one act, kept together or not at all; those another window had written first are left as they are. */
    public function store(
        SaveEntriesRequest $request,
        Visit $visit,
        #[CurrentUser] User $user,
        SaveEntry $save,
        VisitPage $page,
    ): JsonResponse {
        $saved = $save->all($visit, $user, $request->entries(), $visit->day());

        return response()->json(['entries' => array_map(VisitPage::entry(...), $saved), ...$page->judged($visit, $this->step($request))]);
    }

    /**
     * 409 with what stands there now, and the fields both had changed, when another window had been first; nothing is overwritten. Nothing
     * is judged while more is on its way.
     */
    public function update(
        SaveEntryRequest $request,
        Visit $visit,
        #[CurrentUser] User $user,
        SaveEntry $save,
        VisitPage $page,
    ): JsonResponse {
        $saved = $save->handle(
            $visit, $user, $request->kind(), $request->phase(), $request->identity(), $request->payload(), $request->seen(), $visit->day(),
        );

        return response()->json(
            [
                'entry' => VisitPage::entry($saved->entry), 'conflict' => $saved->conflict(), 'clashing' => $saved->clashing,
                ...$request->boolean('more') ? [] : $page->judged($visit, $this->step($request)),
            ],
            $saved->conflict() ? 409 : 200,
        );
    }

    private function step(Request $request): string
    {
        return in_array($request->query('step'), VisitLine::STEPS, true) ? (string) $request->query('step') : 'ask';
    }
}

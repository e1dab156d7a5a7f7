<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Places\ElsewhereDesk;
use App\Places\ElsewhereView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Book\Reference;

/** People of a customer who work at none of its sites. */
final class ElsewhereController extends Controller
{
    public function __construct(private readonly ElsewhereDesk $desk)
    {
    }

    public function index(Request $request, string $customer): JsonResponse
    {
        return $this->told($request, $customer);
    }

    public function ask(Request $request, string $customer, string $user): JsonResponse
    {
        /** @var array{to: string, language: 'en'|'fr'} $given */
        $given = $request->validate([
            'to' => ['required', 'string', 'max:200', 'email:rfc'], 'language' => ['required', 'in:en,fr'],
        ], ['to.required' => 'Say where to write to.', 'to.email' => 'That is no mail address.']);
        $this->desk->ask($this->technician($request)->id, $customer, $user, $given['to'], $given['language']);

        return $this->told($request, $customer, 201);
    }

    public function takeBack(Request $request, string $customer, string $user): JsonResponse
    {
        $this->desk->takeBack($this->technician($request)->id, $customer, $user);

        return $this->told($request, $customer);
    }

    private function told(Request $request, string $customer, int $status = 200): JsonResponse
    {
        $all = $this->desk->all($this->technician($request)->id, $customer);

        return new JsonResponse(['people' => array_map(self::shown(...), $all)], $status);
    }

    /** @return array<string, mixed> */
    private static function shown(ElsewhereView $view): array
    {
        $said = $view->answer?->seen()->address();

        return [
            'ref' => (string) Reference::of($view->user), 'key' => $view->user->key, 'name' => $view->user->label(),
            'mail' => $view->user->email, 'address' => $view->user->emergency['address'],
            'room' => $view->user->emergency['room'],
            'asked' => $view->ask === null ? null : [
                'at' => $view->ask->asked_at->toAtomString(), 'to' => $view->ask->sent_to,
                'until' => $view->ask->open_until->toAtomString(),
                'isAnswered' => $view->answer?->ask_id === $view->ask->id,
            ],
            'said' => $view->answer === null || $said === null ? null : [
                'at' => $view->answer->made_at->toAtomString(), 'line' => $said->line(), 'unit' => $said->unit,
                'isTold' => $said->isToldOf($view->user),
            ],
        ];
    }
}

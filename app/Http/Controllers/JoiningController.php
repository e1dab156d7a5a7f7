<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Staff;
use App\House\House;
use App\Security\PasswordStrength;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** For somebody who was sent an invitation and is not signed in: the code is all they have. */
final class JoiningController extends Controller
{
    public function __construct(private readonly Staff $staff, private readonly House $house)
    {
    }

    public function look(Request $request): JsonResponse
    {
        /** @var array{code: string} $given */
        $given = $request->validate(['code' => ['required', 'string', 'max:100']]);
        $found = $this->staff->invitation($given['code']);

        return new JsonResponse([
            'signIn' => $found->sign_in, 'customer' => $found->customer, 'ability' => $found->ability,
            'invitedBy' => $found->invited_by,
            'until' => $found->grant_until === null
                ? null
                : (new \DateTimeImmutable($found->grant_until))->setTimezone(
                    new \DateTimeZone($this->house->settings()->zone),
                )->format('Y-m-d'),
        ]);
    }

    public function join(Request $request): Response
    {
        /** @var array{code: string, name: string} $said */
        $said = $request->validate([
            'code' => ['required', 'string', 'max:100'],
            'name' => ['required', 'string', 'max:80'],
        ], ['name.required' => 'Say your name, as colleagues read it in the history.']);
        $invitation = $this->staff->invitation($said['code']);
        /** @var array{password: string} $given */
        $given = $request->validate([
            'password' => ['required', 'string', new PasswordStrength(
                [$invitation->sign_in, $said['name'], $this->house->settings()->reseller],
            )],
        ], ['password.required' => 'Choose a password.']);
        $this->staff->join($said['code'], $said['name'], $given['password']);

        return new Response(status: 201);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Staff;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rules\Password;

/** For somebody who was sent an invitation and is not signed in: the code is all they have. */
final class JoiningController extends Controller
{
    public function __construct(private readonly Staff $staff)
    {
    }

    public function look(Request $request): JsonResponse
    {
        /** @var array{code: string} $given */
        $given = $request->validate(['code' => ['required', 'string', 'max:100']]);
        $found = $this->staff->invitation($given['code']);

        return new JsonResponse([
            'signIn' => $found->sign_in, 'customer' => $found->customer, 'ability' => $found->ability, 'invitedBy' => $found->invited_by,
            'until' => $found->grant_until === null ? null : substr($found->grant_until, 0, 10),
        ]);
    }

    public function join(Request $request): Response
    {
        /** @var array{code: string, name: string, password: string} $given */
        $given = $request->validate([
            'code' => ['required', 'string', 'max:100'],
            'name' => ['required', 'string', 'max:80'],
            'password' => ['required', 'string', Password::min(12), 'max:200'],
        ], ['name.required' => 'Say your name, as colleagues read it in the history.', 'password.required' => 'Choose a password.', 'password.min' => 'At least 12 characters.']);
        $this->staff->join($given['code'], $given['name'], $given['password']);

        return new Response(status: 201);
    }
}

<template>
  <StrikeSheet :id="undefined" />
</template>

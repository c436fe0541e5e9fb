<template>
  <PickSheet :id="undefined" />
</template>
